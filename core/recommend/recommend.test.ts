import type { ChamberRecord, Edit } from "../model";
import { celsius } from "../quantity";
import { lumped, plainTrial, keyedIn, planned, recordWith } from "../testing/build";
import { tries } from "../testing/hard";
import { randomChambers } from "../testing/randomChambers";
import { planOf, runTrial } from "../trial";
import { tryEdits } from "../chamber";
import {
  explain,
  lastSetups,
  recommend,
  scoreOf,
  searchOf,
  seasonsOf,
  setupsOf,
  tryTask,
  type Recommendation,
  type Score,
} from ".";

jest.setTimeout(120_000);

const set = (section: string, field: string, value: unknown): Edit => ({ section, field, value }) as Edit;
/** The chamber of the design's reference for recommending: 5 to 28 °C around it, 60 W, an ale at its height. */
const record = (...edits: Edit[]): ChamberRecord =>
  recordWith(
    set("room", "low", celsius(5)),
    set("room", "high", celsius(28)),
    set("stage", "low", celsius(17)),
    set("stage", "high", celsius(23)),
    set("heater", "power", 60),
    ...edits,
  );
function run(of: ChamberRecord, options = { probe: false, heater: false }): { found: Recommendation; steps: number } {
  const search = recommend(of, options);
  let steps = 0;
  for (let step = search.next(); ; step = search.next()) {
    if (step.done) return { found: step.value, steps };
    expect(step.value.done).toBeLessThanOrEqual(step.value.of);
    steps++;
  }
}
const rank = (s: Score) => s.cost + (s.holds ? 0 : 100);

/** A plain fine grid over both differentials, the shift from the middle of the range: no search of the core is used. */
function fineGrid(of: ChamberRecord, n = tries(3, 5)): Score {
  const { plan, group, keyed, seasons } = setupsOf(of, { probe: false, heater: false })[0]!;
  const { target } = plan.stages[0]!.controls[0]!.request;
  let best: Score | null = null;
  for (let i = 0; i < n; i++)
    for (let k = 0; k < n; k++) {
      const heating = 0.3 * 8 ** (i / (n - 1));
      const cooling = 0.3 * 8 ** (k / (n - 1));
      let shift = 0;
      for (let again = 0; again < 2; again++) {
        const score = scoreOf({ heating, cooling, shift }, plan.chamber, group, seasons, keyed);
        if (!best || rank(score) < rank(best)) best = score;
        const lows = score.seasons.map((s) => s.low);
        const highs = score.seasons.map((s) => s.high);
        const off = (Math.min(...lows) + Math.max(...highs)) / 2 - target;
        if (Math.abs(off) < 0.05) break;
        shift -= off;
      }
    }
  return best!;
}

describe("the best settings", () => {
  // Expected by the design's reference on its own network: strapped 0.40, dry well 0.73, in air 1.50, chest 0.45, each
  // ±0.1 K. Its films lumped radiation into the air, as they do here; what is found holds over the span of the bodies
  // too, which costs up to 0.1 K more. This network's dry well feels the product better.
  it.each<[string, Edit[], [number, number]]>([
    ["tall cabinet, strapped", [], [0.3, 0.6]],
    ["tall cabinet, dry well", [set("probe", "place", "dryWell")], [0.3, 0.83]],
    ["tall cabinet, in the air", [set("probe", "place", "air")], [1.4, 1.7]],
    ["chest, strapped", [set("cabinet", "kind", "chest")], [0.35, 0.65]],
  ])("%s: within 0.1 K of a fine grid", (_, edits, [least, most]) => {
    const of = lumped(record(...edits));
    const { found } = run(of);
    const grid = fineGrid(of);
    expect(grid.holds).toBe(true);
    expect(found.best).not.toBeNull();
    expect(found.best!.score.excursion).toBeLessThan(grid.excursion + 0.1);
    expect(found.best!.score.cost).toBeLessThan(grid.cost + 0.1);
    expect(found.best!.score.excursion).toBeGreaterThan(least);
    expect(found.best!.score.excursion).toBeLessThan(most);
    expect(found.best!.score.worstReversals ?? 0).toBeLessThanOrEqual(3);
  });

  it("hold their band in trials of their own, at the usual step, in every season", () => {
    for (const edits of [[set("cabinet", "kind", "chest")], [set("unit", "scale", "F")]] as Edit[][]) {
      const of = record(...edits, set("stage", "low", celsius(19)), set("stage", "high", celsius(21)));
      const { best } = run(of).found;
      const tried = tryEdits(of, best!.edits);
      if (!tried.ok) throw new Error(tried.problem);
      const plan = planOf(tried.value);
      for (const season of seasonsOf(plan.chamber)) {
        const { settled, reversals } = runTrial(plainTrial(season.chamber, keyedIn(plan), 6)).metrics;
        expect(settled!.product.low).toBeGreaterThan(18.9);
        expect(settled!.product.high).toBeLessThan(21.1);
        expect(reversals.perDay).toBeLessThanOrEqual(3);
      }
    }
  });

  it("of random chambers: what is given never fails in the chamber's own seasons at the usual step", () => {
    let given = 0;
    for (const of of randomChambers(tries(4, 20), 4711)) {
      const { best } = run(of).found;
      if (!best) continue;
      given++;
      const tried = tryEdits(of, best.edits);
      if (!tried.ok) throw new Error(tried.problem);
      const { chamber, settings } = planned(tried.value);
      const { low, high } = chamber.stages[0]!;
      for (const season of seasonsOf(chamber)) {
        const { metrics } = runTrial(plainTrial(season.chamber, settings, 6));
        expect(metrics.settled!.product.low).toBeGreaterThan(low - 0.1);
        expect(metrics.settled!.product.high).toBeLessThan(high + 0.1);
        expect(metrics.reversals.perDay).toBeLessThanOrEqual(3.2);
      }
    }
    expect(given).toBeGreaterThan(1);
  });

  it("are the same however the work is dealt, explained in two sentences, beside the present and both schools", () => {
    const a = run(record());
    // Other hands with setups of their own, which take every batch from its end.
    const options = { probe: false, heater: false };
    const search = searchOf(record(), options, setupsOf);
    const hands = [lastSetups(), lastSetups()];
    let step = search.next();
    while (!step.done) {
      const { tasks, record: of, options: asked } = step.value;
      const tried = [...tasks].reverse().map((task, i) => tryTask(hands[i % 2]!(of, asked), task));
      step = search.next(tried.reverse());
    }
    expect(step.value).toEqual(a.found);
    expect(a.steps).toBeGreaterThan(20);
    expect(a.found.trials).toBeLessThan(400);
    const words = explain(record(), a.found, "C");
    expect(words).toHaveLength(2);
    expect(words.join(" ")).not.toMatch(/NaN|undefined/);
    expect(a.found.schools).toHaveLength(2);
    for (const p of [a.found.present, ...a.found.schools.map((s) => s.point)])
      expect(p.score.cost).toBeGreaterThanOrEqual(a.found.best!.score.cost - 1e-9);
  });

  it("look for the probe's place when asked: out of the air, onto the vessel or into it", () => {
    const of = record(
      set("probe", "place", "air"),
      set("stage", "low", celsius(19.2)),
      set("stage", "high", celsius(20.8)),
    );
    const { best } = run(of, { probe: true, heater: false }).found;
    expect(["strapped", "bare", "dryWell", "filledWell"]).toContain(best!.place);
    expect(best!.edits.some((e) => e.section === "probe")).toBe(true);
  });

  it("say which demand binds, and offer only what relaxations it: then there are settings that hold", () => {
    const cases: [ChamberRecord, RegExp, RegExp][] = [
      [
        record(set("probe", "place", "air"), set("stage", "low", celsius(19.2)), set("stage", "high", celsius(20.8))),
        /sinks to|rises to/,
        /^Move the probe/,
      ],
      [
        record(set("unit", "kind", "heatOnly"), set("cooler", "kind", "none")),
        /rises to .* takes heat away/,
        /^Stand it/,
      ],
      [record(set("heater", "power", 15)), /sinks to .* of heat, and there are 15/, /^Use a \d+\sW heater/],
    ];
    let places = 0;
    for (const [of, text, offer] of cases) {
      const { best, binding } = run(of).found;
      expect(best).toBeNull();
      expect(binding!.text.C).toMatch(text);
      expect(binding!.relaxations.map((f) => f.label.C)).toContainEqual(expect.stringMatching(offer));
      const freed = tryEdits(of, binding!.relaxations.find((f) => offer.test(f.label.C))!.edits);
      if (!freed.ok) throw new Error(freed.problem);
      // That a probe out of the air finds settings is shown above.
      if (offer.source === "^Move the probe") continue;
      const { best: after, binding: still } = run(freed.value).found;
      expect([offer.source, after !== null, still?.text.C]).toEqual([offer.source, true, undefined]);
      // The mildest place that does: two degrees warmer, and no numbers hold.
      const place = freed.value.room.high?.value;
      if (offer.source !== "^Stand it" || place === undefined) continue;
      const warmer = tryEdits(of, [{ section: "room", field: "high", value: celsius(place + 2) }]);
      if (!warmer.ok) throw new Error(warmer.problem);
      expect(run(warmer.value).found.best).toBeNull();
      places++;
    }
    expect(places).toBe(1);
  });
});
