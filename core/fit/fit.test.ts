import fc from "fast-check";
import { describe as describeChamber, tryEdits } from "../chamber";
import type { Edit } from "../model";
import { recordWith } from "../testing/build";
import { boxFit, fitRemedies, liftOf, mostAlike, outlineOf, swingOf, type Outline, type Space } from ".";
import { BETWEEN, hitsOf, TO_WALLS } from "./collide";
import { mostOf, place, type Wanted } from "./place";

const edit = (section: string, field: string, value: unknown, id?: string) =>
  ({ section, field, value, ...(id ? { id } : {}) }) as Edit;

const none = { legs: 0, lidHeight: 0, lidOver: 0, above: 0, reach: 0, handles: 0, tap: 0 };
const bodied = (radius: number, height: number): Outline => ({ ...none, radius, foot: radius, height });
const plain = bodied(0.15, 0.4);
const roomOf = (width: number, depth: number, height: number, hump?: [w: number, d: number, h: number]): Space => {
  const floor = { on: "floor" as const, z: 0, x0: 0, x1: width, y0: 0, y1: depth };
  if (!hump) return { width, depth, height, round: false, rim: 0, blocks: [], levels: [floor] };
  const [w, d, h] = hump;
  const [x0, x1] = [(width - w) / 2, (width + w) / 2];
  return {
    width,
    depth,
    height,
    round: false,
    rim: 0,
    blocks: [{ name: "the hump", x0, x1, y0: 0, y1: d, z0: 0, z1: h }],
    levels: [floor, { on: "hump", z: h, x0, x1, y0: 0, y1: d }],
  };
};
const wanted = (...outlines: Outline[]): Wanted[] =>
  outlines.map((outline, i) => ({ id: `v${i}`, name: `number ${i}`, outline, spot: null }));

/** The rules once more, by plain distances and nothing of the search: does it stand free? */
function free(space: Space, all: { x: number; y: number; z: number; o: Outline }[]): boolean {
  return all.every(({ x, y, z, o }, i) => {
    const keep = o.radius + TO_WALLS - 1e-6;
    if (x < keep || y < keep || x > space.width - keep || y > space.depth - keep) return false;
    if (z + o.height > space.height + 1e-6) return false;
    for (const b of space.blocks) {
      if (z >= b.z1 - 1e-6) continue;
      const dx = Math.max(b.x0 - x, 0, x - b.x1);
      const dy = Math.max(b.y0 - y, 0, y - b.y1);
      if (Math.hypot(dx, dy) < keep) return false;
    }
    return all.every(
      (b, k) =>
        k === i ||
        z >= b.z + b.o.height ||
        b.z >= z + o.height ||
        Math.hypot(x - b.x, y - b.y) >= o.radius + b.o.radius + BETWEEN - 1e-6,
    );
  });
}

/** Vessels of some kinds, so many of each. */
const many = (...kinds: [count: number, outline: Outline][]): Wanted[] =>
  kinds.flatMap(([count, outline], k) =>
    Array.from({ length: count }, () => ({ id: `v${k}`, name: `kind ${k}`, outline, spot: null })),
  );

describe("hundreds of vessels", () => {
  const jar = bodied(0.035, 0.08);
  const wide = bodied(0.06, 0.12);
  const room = roomOf(0.5, 0.5, 0.6);

  it.each([
    ["one kind", many([500, jar])],
    ["two kinds", many([500, jar], [500, wide])],
    ["two kinds around a hump", many([300, wide], [300, jar])],
  ])("%s: those that stand run into nothing, and who is left over says so", (name, all) => {
    const space = name.includes("hump") ? roomOf(0.5, 0.5, 0.6, [0.5, 0.2, 0.25]) : room;
    const placed = place(space, all);
    const stand = placed.filter((p) => p.hits.length === 0);
    expect(stand.length).toBeGreaterThan(10);
    expect(
      free(
        space,
        stand.map(({ at, outline }) => ({ ...at, o: outline })),
      ),
    ).toBe(true);
    expect(new Set(placed.filter((p) => p.hits.length > 0).map((p) => p.id)).size).toBe(
      new Set(all.map((w) => w.id)).size,
    );
  });

  it("fill a floor as rows by hand do: jars of 7 cm in 50 cm, each with a centimetre", () => {
    // (50 − 4 + 1) / (7 + 1) = 5.9: five to a straight row; staggered, rows lie 6.9 cm apart.
    const stand = place(room, many([500, jar])).filter((p) => p.hits.length === 0);
    expect(stand.length).toBeGreaterThanOrEqual(25);
    expect(stand.length).toBeLessThanOrEqual(36);
  });

  it("are never said to fit because only the first of them were set", () => {
    const of = (count: number) => ({ ...edit("vessel", "count", count) });
    const record = recordWith(edit("vessel", "form", "jar"), edit("vessel", "volume", 0.00025), of(500));
    const chamber = describeChamber(record);
    const fit = boxFit(chamber);
    expect(fit.fits).toBe(false);
    const [{ laid }] = fit.shorts as [(typeof fit.shorts)[0]];
    expect(laid).toBeGreaterThan(30);
    const fewer = fitRemedies(chamber).find((r) => r.kind === "fewer")!;
    const tried = tryEdits(record, fewer.edits);
    if (!tried.ok) throw new Error(tried.problem);
    expect(boxFit(describeChamber(tried.value)).fits).toBe(true);
    expect(fewer.amount).toBe(laid);
  });
});

/** Every place of a fine grid on every level, for one vessel beside others that stand. */
function* grid(space: Space, step: number) {
  for (const { z, x0, x1, y0, y1 } of space.levels)
    for (let x = x0; x <= x1 + 1e-9; x += step) for (let y = y0; y <= y1 + 1e-9; y += step) yield { x, y, z };
}

const metres = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const boxes = fc
  .tuple(
    metres(0.3, 0.7),
    metres(0.3, 0.7),
    metres(0.3, 1),
    metres(0, 1),
    metres(0, 0.9),
    metres(0.1, 0.6),
    fc.boolean(),
  )
  .map(([w, d, h, hw, hd, hh, has]) => roomOf(w, d, h, has ? [w * hw, d * hd, h * hh] : undefined));
const vessels = fc.tuple(metres(0.05, 0.2), metres(0.1, 0.6)).map(([radius, height]) => bodied(radius, height));

describe("one vessel in a box", () => {
  it("stands free wherever it is put; what any place of a fine grid takes is not refused", () => {
    fc.assert(
      fc.property(boxes, vessels, (space, o) => {
        const [found] = place(space, wanted(o));
        const fits = found!.hits.length === 0;
        if (fits) expect(free(space, [{ ...found!.at, o }])).toBe(true);
        const byHand = [...grid(space, 0.01)].some((at) => free(space, [{ ...at, o }]));
        if (byHand) expect(fits).toBe(true);
      }),
      { numRuns: 150 },
    );
  });
});

/** Half of a vessel's width at a height over its foot, by its outline alone: legs, a body that widens straight, a lid. */
function halfWidth(o: Outline, h: number): number {
  const body = h - o.legs;
  if (body < 0) return o.foot;
  if (body > o.height + o.lidHeight) return 0;
  const own = o.foot + (o.radius - o.foot) * Math.min(1, body / o.height);
  const lid = o.lidHeight > 0 ? body > o.height : o.lidOver > 0 && body > o.height - 0.02;
  return lid ? o.radius + o.lidOver : own;
}
const shaped = fc
  .tuple(metres(0.06, 0.2), metres(0.1, 0.5), metres(0.6, 1), metres(0, 0.1), metres(0, 0.04), metres(0, 0.03))
  .map(([radius, height, taper, legs, lidHeight, lidOver]): Outline => ({
    ...bodied(radius, height),
    foot: radius * taper,
    legs,
    lidHeight,
    lidOver,
  }));

describe("a vessel that tapers, on legs, with a lid", () => {
  it("stands free at every height where it is put; what a fine grid takes by the widest of four slices is not refused", () => {
    fc.assert(
      fc.property(boxes, shaped, (space, o) => {
        const full = o.legs + o.height + o.lidHeight;
        const stands = (x: number, y: number, z: number, half: (h: number) => number): boolean => {
          if (z + full > space.height + 1e-6) return false;
          const wide = o.radius + o.lidOver + TO_WALLS - 1e-6;
          if (x < wide || y < wide || x > space.width - wide || y > space.depth - wide) return false;
          return space.blocks.every((b) => {
            const away = Math.hypot(Math.max(b.x0 - x, 0, x - b.x1), Math.max(b.y0 - y, 0, y - b.y1));
            for (let h = 0; h <= full; h += full / 60)
              if (z + h < b.z1 - 1e-6 && z + h > b.z0 + 1e-6 && away < half(h) + TO_WALLS - 1e-6) return false;
            // Something lower than its legs lies between them.
            return true;
          });
        };
        const low = space.blocks.some((b) => b.z1 <= o.legs);
        if (low) return;
        const [found] = place(space, wanted(o));
        const fits = found!.hits.length === 0;
        if (fits) expect(stands(found!.at.x, found!.at.y, found!.at.z, (h) => halfWidth(o, h))).toBe(true);
        // Each quarter of the body as wide as it is at its top.
        const sliced = (h: number) => {
          const body = h - o.legs;
          const quarter = Math.min(4, Math.max(1, Math.ceil((4 * body) / o.height + 1e-9)));
          return Math.max(
            halfWidth(o, h),
            body >= 0 && body <= o.height ? o.foot + ((o.radius - o.foot) * quarter) / 4 : 0,
          );
        };
        if (!fits) for (const at of grid(space, 0.01)) expect(stands(at.x, at.y, at.z, sliced)).toBe(false);
      }),
      { numRuns: 120 },
    );
  });
  // By hand: a hump of 20 by 20 cm in 50 by 50; a bucket 30 cm wide at the top and 24 at its foot goes in beside it.
  it("goes in beside a hump that a straight one does not pass", () => {
    const space = roomOf(0.5, 0.36, 0.7, [0.5, 0.05, 0.1]);
    const straight = bodied(0.145, 0.4);
    expect(place(space, wanted(straight))[0]!.hits).not.toEqual([]);
    expect(place(space, wanted({ ...straight, foot: 0.1 }))[0]!.hits).toEqual([]);
  });
  it("does not go through a rim that is too narrow for its lid, and a quarter turn lets handles pass", () => {
    const rimmed: Space = { ...roomOf(0.5, 0.6, 0.7), rim: 0.08 };
    expect(place(rimmed, wanted(bodied(0.165, 0.4)))[0]!.hits).toEqual([]);
    const lid = place(rimmed, wanted({ ...bodied(0.165, 0.4), lidOver: 0.01 }))[0]!.hits;
    expect(lid.map((h) => h.with)).toEqual(["the rim of the opening"]);
    expect(lid[0]!.by).toBeCloseTo(0.01, 9);
    expect(place(rimmed, wanted({ ...bodied(0.165, 0.4), handles: 0.05 }))[0]!.hits).toEqual([]);
  });
});

describe("what is fixed inside", () => {
  const with_ = (...things: object[]) => recordWith(edit("build", "things", things));
  const thing = { kind: "heater", x: 0, y: 0, z: 0, width: 0.1, depth: 0.1, height: 0.3, clear: 0.05 };
  it("keeps its own clearance, two of a kind have names of their own, and moving it is offered where that helps", () => {
    const heater = describeChamber(with_(thing));
    expect(boxFit(heater).fits).toBe(true);
    const [block] = boxFit(heater).space.blocks.slice(-1);
    expect(block).toMatchObject({ name: "the heater", clear: 0.05 });
    const wide = { ...thing, width: 0.4, depth: 0.5, height: 0.4 };
    const fan = { ...thing, kind: "fan", z: 1.1, height: 0.05, clear: 0 };
    const record = with_(wide, fan, { ...fan, x: 0.2 });
    const full = describeChamber(record);
    const fit = boxFit(full);
    expect(fit.space.blocks.slice(-2).map((b) => b.name)).toEqual(["the fan (1)", "the fan (2)"]);
    expect(fit.fits).toBe(false);
    const moved = fitRemedies(full).find((r) => r.kind === "thing")!;
    expect(moved.what).toBe("the heater");
    const tried = tryEdits(record, moved.edits);
    expect(tried.ok && boxFit(describeChamber(tried.value)).fits).toBe(true);
  });
  it("a drain is passed over by what stands on legs", () => {
    const drain: Space = {
      ...roomOf(0.4, 0.4, 0.7),
      blocks: [{ name: "the drain", x0: 0.15, x1: 0.25, y0: 0.15, y1: 0.25, z0: 0, z1: 0.01, clear: 0 }],
    };
    expect(place(drain, wanted(bodied(0.17, 0.4)))[0]!.hits[0]?.with).toBe("the drain");
    expect(place(drain, wanted({ ...bodied(0.17, 0.4), legs: 0.05 }))[0]!.hits).toEqual([]);
  });
});

describe("two vessels in a box", () => {
  it("stand free of each other; what a grid finds for both is not refused", () => {
    fc.assert(
      fc.property(boxes, vessels, vessels, (space, a, b) => {
        const found = place(space, wanted(a, b));
        const fits = found.every((p) => p.hits.length === 0);
        if (fits)
          expect(
            free(
              space,
              found.map((p) => ({ ...p.at, o: p.outline })),
            ),
          ).toBe(true);
        const first = [...grid(space, 0.03)].filter((at) => free(space, [{ ...at, o: a }]));
        const second = [...grid(space, 0.03)].filter((at) => free(space, [{ ...at, o: b }]));
        const byHand = first.some((p) =>
          second.some((q) =>
            free(space, [
              { ...p, o: a },
              { ...q, o: b },
            ]),
          ),
        );
        if (byHand) expect(fits).toBe(true);
      }),
      { numRuns: 60 },
    );
  });
});

describe("as many as go in", () => {
  // By hand: 50 by 50 cm, 2 cm to the walls, 1 cm between: 46 cm take two of 22.5 cm with their gap, so four in all.
  it("four buckets of 22.5 cm in half a metre, one in the rest", () => {
    expect(mostOf(roomOf(0.5, 0.5, 0.6), bodied(0.1125, 0.4))).toBe(4);
    expect(mostOf(roomOf(0.5, 0.5, 0.6), bodied(0.116, 0.4))).toBeLessThan(4);
    expect(mostOf(roomOf(0.5, 0.5, 0.6), bodied(0.2, 0.4))).toBe(1);
    expect(mostOf(roomOf(0.5, 0.5, 0.3), bodied(0.1, 0.4))).toBe(0);
  });
  // Circles in a circle, the least ratio of the radii for so many: 2, 2.1547, 2.4142, 3, 3 of the packings that are proven
  // best (R. L. Graham 1968, Pirl 1969; values from memory).
  it.each([
    [1, 1],
    [2, 2],
    [3, 2.1547],
    [4, 2.4142],
    [5, 2.7013],
    [6, 3],
    [7, 3],
  ])("%i in a round box of %f times their radius, and not one less", (many, ratio) => {
    const r = 0.1;
    // Walls keep twice what vessels keep of each other: by hand, as circles wider by half of that.
    const wide = r + BETWEEN / 2;
    const inside = 2 * (wide * ratio + TO_WALLS - BETWEEN / 2);
    const round = (width: number): Space => ({ ...roomOf(width, width, 0.6), round: true });
    expect(mostOf(round(inside + 0.001), bodied(r, 0.4))).toBeGreaterThanOrEqual(many);
    expect(mostOf(round(inside - 0.004), bodied(r, 0.4))).toBeLessThan(many);
  });
  it("many small ones in a round box", () => {
    const round: Space = { ...roomOf(0.5, 0.5, 0.6), round: true };
    const many = mostOf(round, bodied(0.04, 0.1));
    // By area at most nine tenths of it; at least what plain rings take.
    expect(many).toBeGreaterThanOrEqual(19);
    expect(many * 0.045 ** 2).toBeLessThan(0.907 * 0.235 ** 2);
  });
  it("many small ones lie staggered where that takes more, and on hump and floor", () => {
    const many = mostOf(roomOf(0.64, 0.6, 0.6), bodied(0.045, 0.12));
    expect(many).toBeGreaterThanOrEqual(30);
    expect(mostOf(roomOf(0.6, 0.6, 0.8, [0.6, 0.2, 0.2]), bodied(0.07, 0.4))).toBeGreaterThan(
      mostOf(roomOf(0.6, 0.4, 0.8), bodied(0.07, 0.4)),
    );
  });
});

describe("what stands off a vessel", () => {
  it("is turned where handles are in the way, and found where it is turned by hand", () => {
    const narrow = roomOf(0.36, 0.5, 0.6);
    const handled = { ...plain, handles: 0.04 };
    const [found] = place(narrow, wanted(handled));
    expect(found!.hits).toEqual([]);
    expect(found!.at.turned).toBe(true);
    const spot = { x: 0.18, y: 0.25, on: "floor" as const, turned: false };
    const [put] = place(narrow, [{ ...wanted(handled)[0]!, spot }]);
    expect(put!.hits.map((h) => h.with).sort()).toEqual(["the left wall", "the right wall"]);
    expect(put!.hits[0]!.by).toBeCloseTo(0.03, 6);
  });
  it("an airlock under a shelf", () => {
    const space: Space = {
      ...roomOf(0.5, 0.5, 1),
      blocks: [{ name: "the shelf", x0: 0, x1: 0.5, y0: 0, y1: 0.5, z0: 0.48, z1: 0.5 }],
    };
    const at = { x: 0.25, y: 0.25, z: 0, turned: false };
    expect(hitsOf(space, { outline: plain, at }, [])).toEqual([]);
    expect(hitsOf(space, { outline: { ...plain, above: 0.14 }, at }, [])[0]?.with).toBe("the shelf");
  });
});

describe("a chamber", () => {
  const chest = recordWith(
    edit("cabinet", "kind", "chest"),
    edit("cabinet", "height", 0.62),
    edit("vessel", "volume", 0.023),
  );
  it("says what is missing, and offers what makes it fit when it is tried, a collar too", () => {
    const now = boxFit(describeChamber(chest));
    expect(now.fits).toBe(false);
    expect(now.shorts[0]!.height).toBeGreaterThan(0);
    const remedies = fitRemedies(describeChamber(chest));
    expect(remedies.map((r) => r.kind)).toEqual(expect.arrayContaining(["collar", "smaller"]));
    for (const remedy of remedies) {
      const tried = tryEdits(chest, remedy.edits);
      expect(tried.ok && boxFit(describeChamber(tried.value)).fits).toBe(true);
    }
    const collar = remedies.find((r) => r.kind === "collar")!;
    expect(collar.amount).toBeGreaterThanOrEqual(now.shorts[0]!.height);
  });
  it("with a shelf in the way, two vessels, and one too many", () => {
    const shelf = recordWith(edit("build", "shelfAt", 0.3));
    expect(boxFit(describeChamber(shelf)).fits).toBe(true);
    const low = recordWith(edit("build", "shelfAt", 0.9));
    expect(boxFit(describeChamber(low)).placed[0]!.on).toBe("floor");
    const many = recordWith(edit("vessel", "count", 6));
    const fit = boxFit(describeChamber(many));
    expect(fit.fits).toBe(false);
    expect(fit.shorts[0]!.crowded).toBe(true);
    const { vessels, ...rest } = describeChamber(many);
    const most = mostAlike(rest, vessels[0]!);
    expect(fitRemedies(describeChamber(many)).find((r) => r.kind === "fewer")!.amount).toBe(most);
  });
  it("pieces go by their volume: two thirds of the room that nothing fixed takes, and all of a pot", () => {
    const pieces = (...edits: Edit[]) =>
      boxFit(describeChamber(recordWith(edit("vessel", "form", "piece"), edit("vessel", "volume", 0.02), ...edits)));
    // By hand: 0.375 m³ inside, of which 0.251 are two thirds; a thing of 0.1 m³ leaves 0.184.
    expect([12, 13].map((count) => pieces(edit("vessel", "count", count)).fits)).toEqual([true, false]);
    const thing = { kind: "other", x: 0, y: 0, z: 0, width: 0.5, depth: 0.4, height: 0.5, clear: 0 };
    const beside = (count: number) => pieces(edit("vessel", "count", count), edit("build", "things", [thing])).fits;
    expect([9, 10].map(beside)).toEqual([true, false]);
    expect(pieces(edit("vessel", "count", 13)).shorts).toEqual([]);
    for (const kind of ["kettle", "jacketed"]) {
      const own = describeChamber(recordWith(edit("cabinet", "kind", kind), edit("vessel", "volume", 0.4)));
      expect(boxFit(own)).toMatchObject({ fits: true, placed: [] });
    }
  });
  it("a vessel as it was measured: taller than usual", () => {
    const tall = describeChamber(recordWith(edit("vessel", "bodyHeight", 1.6)));
    expect(outlineOf(tall.vessels[0]!).height).toBe(1.6);
    expect(boxFit(tall).shorts[0]!).toMatchObject({ crowded: false, under: "the ceiling" });
  });
  it("how high and how heavy: over a chest's rim 23 L are filled where they stand", () => {
    const c = describeChamber(chest);
    expect(liftOf(c, c.vessels[0]!)).toMatchObject({ height: 0.62, hands: "fill it there" });
    const small = describeChamber(recordWith(edit("vessel", "volume", 0.01)));
    expect(liftOf(small, small.vessels[0]!).hands).toBe("one");
    const fridge = describeChamber(recordWith());
    expect(liftOf(fridge, fridge.vessels[0]!).mass).toBeCloseTo(23 * 1.08, 1);
  });
  it("a door swings out by the width of the box, a lid stands up by its depth", () => {
    const fridge = describeChamber(recordWith());
    expect(swingOf(fridge)).toEqual({ front: fridge.cabinet.width, up: 0 });
    const c = describeChamber(chest);
    expect(swingOf(c)).toEqual({ front: 0, up: c.cabinet.height + c.cabinet.collar + c.cabinet.depth });
  });
});
