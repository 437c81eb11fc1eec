import fc from "fast-check";
import { describe as describeChamber, insideOf, tryEdits } from "../chamber";
import type { Edit } from "../model";
import { recordWith } from "../testing/build";
import { boxFit, isAiry } from "../fit";
import { foamVolume, nest, panelsOf, sizedFor, thicknesses, type Laid, type Panel } from ".";

const edit = (section: string, field: string, value: unknown) => ({ section, field, value }) as Edit;
const box = { height: 0.45, width: 0.6, depth: 0.4, insulation: 0.05 };
const plain = { joint: "butt", lining: 0, lip: 0 } as const;
const area = (panels: readonly Panel[]) => panels.reduce((sum, p) => sum + p.length * p.width, 0);

describe("the panels of a foam box", () => {
  // By hand: 600 × 400 × 450 mm of 50 mm, butted: floor and lid 600 × 400, front and back 600 × 350, sides 300 × 350.
  it("butted, by hand", () => {
    expect(panelsOf(box, plain).map((p) => [p.name, Math.round(p.length * 1000), Math.round(p.width * 1000)])).toEqual([
      ["Floor", 600, 400],
      ["Front", 600, 350],
      ["Back", 600, 350],
      ["Left side", 300, 350],
      ["Right side", 300, 350],
      ["Lid", 600, 400],
    ]);
  });
  it("butted, their foam is what is between outside and inside, whatever the measures", () => {
    const m = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(m(0.3, 2), m(0.3, 2), m(0.3, 2), m(0.02, 0.1), (height, width, depth, insulation) => {
        const one = { height, width, depth, insulation };
        expect(area(panelsOf(one, plain)) * insulation).toBeCloseTo(foamVolume(one), 9);
      }),
    );
  });
  // By hand, of the same box: mitred 1.28 m² of blanks, rebated 1.145, times 50 mm; 55.5 L of it are left in the box.
  it.each([0.1, 0.3, 3])("of %d m a side other walls are tried as far as there can be a box of them", (side) => {
    const sides = (["width", "height", "depth"] as const).map((field) => edit("cabinet", field, side));
    const walls = [edit("cabinet", "insulation", side === 0.3 ? 0.1 : 0.02)];
    for (const { thickness, loss, watts } of thicknesses(
      recordWith(edit("cabinet", "kind", "foam"), ...walls, ...sides),
    )) {
      expect([thickness, Number.isFinite(loss) && loss > 0, Number.isFinite(watts)]).toEqual([thickness, true, true]);
    }
  });

  it("rebated and mitred panels take more foam than is left in the box, by what is cut away", () => {
    const over = (joint: "rebate" | "mitre") =>
      area(panelsOf(box, { ...plain, joint })) * box.insulation - foamVolume(box);
    expect(foamVolume(box)).toBeCloseTo(0.0555, 9);
    expect(over("mitre")).toBeCloseTo(0.0085, 9);
    expect(over("rebate")).toBeCloseTo(0.00175, 9);
  });
  it("lining and lip leave their gaps", () => {
    const panels = panelsOf(box, { joint: "butt", lining: 0.003, lip: 0.03 });
    expect(panels.find((p) => p.name.startsWith("Lip"))).toMatchObject({ edge: "thinned to 30 mm" });
    expect(panels.find((p) => p.name.startsWith("Lip"))!.length).toBeCloseTo(0.5 - 2 * 0.006, 9);
    expect(panels.filter((p) => p.of === "lining")).toHaveLength(6);
  });
});

const laidApart = (a: Laid, b: Laid, kerf: number) =>
  a.x + a.length + kerf <= b.x + 1e-6 ||
  b.x + b.length + kerf <= a.x + 1e-6 ||
  a.y + a.width + kerf <= b.y + 1e-6 ||
  b.y + b.width + kerf <= a.y + 1e-6;

/** Two plain packings to measure against: shelves of falling height, by the next and by the first that has room. */
function shelves(panels: readonly Panel[], length: number, width: number, kerf: number, first: boolean): number {
  const sheets: { y: number; shelves: { x: number; y: number; h: number }[] }[] = [];
  const lying = panels
    .map((p) => {
      const [long, short] = [Math.max(p.length, p.width), Math.min(p.length, p.width)];
      return long <= length && short <= width ? { l: long, w: short } : { l: short, w: long };
    })
    .sort((a, b) => b.w - a.w);
  for (const { l, w } of lying) {
    const open = first ? sheets : sheets.slice(-1);
    const shelf = open
      .flatMap((s) => (first ? s.shelves : s.shelves.slice(-1)))
      .find((s) => s.x + l <= length + 1e-9 && w <= s.h + 1e-9);
    if (shelf) {
      shelf.x += l + kerf;
      continue;
    }
    const sheet = open.find((s) => s.y + w <= width + 1e-9);
    const to = sheet ?? { y: 0, shelves: [] };
    if (!sheet) sheets.push(to);
    to.shelves.push({ x: l + kerf, y: to.y, h: w });
    to.y += w + kerf;
  }
  return sheets.length;
}

describe("panels on sheets", () => {
  const sheet = { sheetLength: 1.25, sheetWidth: 0.6, kerf: 0.003 };
  const panels = fc.array(
    fc.tuple(fc.double({ min: 0.05, max: 1.2, noNaN: true }), fc.double({ min: 0.05, max: 0.58, noNaN: true })),
    { minLength: 1, maxLength: 16 },
  );
  it("never overlap, never leave the sheet, never get lost, on no more sheets than the better of two plain ways and one", () => {
    fc.assert(
      fc.property(panels, (sizes) => {
        const list = sizes.map(([length, width], i): Panel => ({ name: `p${i}`, length, width, of: "foam", edge: "" }));
        const { sheets, tooLarge, waste } = nest(list, sheet);
        expect(tooLarge).toEqual([]);
        expect(
          sheets
            .flat()
            .map((l) => l.panel.name)
            .sort(),
        ).toEqual(list.map((p) => p.name).sort());
        for (const laid of sheets) {
          for (const l of laid) {
            expect(l.x).toBeGreaterThanOrEqual(0);
            expect(l.x + l.length).toBeLessThanOrEqual(sheet.sheetLength + 1e-4);
            expect(l.y + l.width).toBeLessThanOrEqual(sheet.sheetWidth + 1e-4);
          }
          laid.forEach((a, i) => laid.slice(i + 1).forEach((b) => expect(laidApart(a, b, sheet.kerf)).toBe(true)));
        }
        const plainly = Math.min(
          ...[false, true].map((first) => shelves(list, sheet.sheetLength, sheet.sheetWidth, sheet.kerf, first)),
        );
        expect(sheets.length).toBeLessThanOrEqual(plainly + 1);
        expect(waste).toBeGreaterThanOrEqual(0);
        expect(waste).toBeLessThan(1);
      }),
      { numRuns: 200 },
    );
  });
  it("names what no sheet takes", () => {
    const big: Panel = { name: "Lid", length: 1.4, width: 0.5, of: "foam", edge: "" };
    expect(nest([big], sheet)).toMatchObject({ sheets: [], tooLarge: [big], waste: 0 });
  });
});

describe("chosen by watts, by price, by hours", () => {
  const record = recordWith(
    edit("cabinet", "kind", "foam"),
    edit("build", "sheetPrice", 20),
    edit("stage", "low", 29),
    edit("stage", "high", 33),
    edit("room", "low", 15),
    edit("room", "high", 20),
  );
  it("the thicker the wall, the fewer watts, the more hours and the dearer; the inside stays as it is", () => {
    const list = thicknesses(record);
    list.slice(1).forEach((b, i) => {
      const a = list[i]!;
      expect(b.loss).toBeLessThan(a.loss);
      expect(b.hours).toBeGreaterThan(a.hours);
      expect(b.price).toBeGreaterThan(a.price);
    });
    const inside = insideOf(describeChamber(record).cabinet);
    for (const { edits } of list) {
      const tried = tryEdits(record, edits);
      if (!tried.ok) throw new Error(tried.problem);
      expect(insideOf(describeChamber(tried.value).cabinet).volume).toBeCloseTo(inside.volume, 9);
    }
    expect(
      thicknesses(recordWith(edit("cabinet", "kind", "foam"), edit("room", "low", 20), edit("room", "high", 20)))[0]!
        .hours,
    ).toBeGreaterThan(0);
  });
});

describe("a box for what stands in it", () => {
  it("six trays, by hand: 3 L each are 316 mm square, 2 by 1 in three layers or flatter, by the least surface", () => {
    const trays = recordWith(
      edit("cabinet", "kind", "foam"),
      edit("vessel", "form", "tray"),
      edit("vessel", "volume", 0.003),
      edit("vessel", "count", 6),
    );
    const chamber = describeChamber(trays);
    const tried = tryEdits(trays, sizedFor(chamber));
    if (!tried.ok) throw new Error(tried.problem);
    const sized = describeChamber(tried.value);
    expect(boxFit(sized).fits).toBe(true);
    expect(isAiry(boxFit(sized))).toBe(true);
    // By hand: side √0.1 = 316.2; one by one in six layers 356.2 × 356.2 × 530; two by one in three 692.5 × 356.2 × 290.
    const inside = insideOf(sized.cabinet);
    expect(inside.width * inside.depth * inside.height).toBeLessThan(0.0735);
  });
  it("whatever number of buckets or trays, they fit; of trays a centimetre less in any way keeps one out", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 6 }), fc.constantFrom("tray", "jar", "pail"), (count, form) => {
        const record = recordWith(
          edit("cabinet", "kind", "foam"),
          edit("vessel", "form", form),
          edit("vessel", "volume", 0.002),
          edit("vessel", "count", count),
        );
        const chamber = describeChamber(record);
        const edits = sizedFor(chamber);
        const tried = tryEdits(record, edits);
        if (!tried.ok) throw new Error(tried.problem);
        const sized = describeChamber(tried.value);
        const all = (cabinet: typeof sized.cabinet) => {
          const fit = boxFit({ ...sized, cabinet });
          return form === "tray" ? fit.fits && isAiry(fit) : fit.fits;
        };
        expect(all(sized.cabinet)).toBe(true);
        if (form === "tray") {
          for (const side of ["width", "depth", "height"] as const)
            expect(all({ ...sized.cabinet, [side]: sized.cabinet[side] - 0.01 })).toBe(false);
        }
      }),
      { numRuns: 40 },
    );
  });
});
