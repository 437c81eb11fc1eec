import fc from "fast-check";
import { jobEdits, jobs, tryEdits } from "../chamber";
import { applyEdits, type ChamberRecord, type Edit } from "../model";
import { lotOf, modelOf } from "../product";
import { vapourIn } from "../moisture";
import { celsius } from "../quantity";
import { meeting, recordWith } from "../testing/build";
import { feel } from "../product/testing/feel";
import { beginSpan, cutShort, freshPace, LONGEST_SPAN, nextSpan, spansOf, wasCut } from "./pace";
import { planOf, trialOf } from ".";
import { startRun } from "./run";
import type { RunState } from "./state";
import { advance } from "./stepper";

const edit = (section: string, field: string, value: unknown) => ({ section, field, value }) as Edit;

describe("spans", () => {
  it.each([
    [300, 1200, 1200],
    [60, 1200, 960],
    [10_800, 1200, 10_800],
    [150, 0, 150],
  ])("of at least %d, and %d at the longest, go up to %d", (least, longest, most) =>
    expect(spansOf(least, longest)).toEqual({ least, most }),
  );
  it("are the least one, doubled as often as fits, and never more than twice the last", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 0, max: 2000 }),
        fc.array(fc.tuple(fc.double({ min: 0, max: 3000, noNaN: true }), fc.integer({ min: 0, max: 999 }))),
        (least, longest, way) => {
          const spans = spansOf(least, longest);
          expect(spans.most).toBeLessThanOrEqual(Math.max(least, longest));
          const pace = freshPace();
          let before = 0;
          for (const [allowed, cutAfter] of way) {
            const now = pace.until;
            const span = nextSpan(pace, now, spans, allowed);
            expect(Number.isInteger(Math.log2(span / least))).toBe(true);
            if (span > least) expect(span).toBeLessThanOrEqual(Math.min(allowed, 2 * before, spans.most));
            beginSpan(pace, now, span);
            cutShort(pace, spans, now + cutAfter);
            expect(pace.until).toBeGreaterThanOrEqual(now + least);
            expect(pace.until).toBeLessThanOrEqual(now + span);
            expect(wasCut(pace, pace.until)).toBe(pace.until < now + span);
            before = pace.until - now;
          }
        },
      ),
    );
  });
});

/** A chamber of a job in a room that swings, its product's stages one after the other. */
function jobIn(id: string, ...more: Edit[]): ChamberRecord {
  const job = jobs.find((j) => j.id === id)!;
  const tried = tryEdits(recordWith(), [
    ...jobEdits(job, job.boxes[0]!),
    edit("room", "low", celsius(9)),
    edit("room", "high", celsius(21)),
    ...more,
  ]);
  if (!tried.ok) throw new Error(tried.problem);
  return tried.value;
}

describe("products that are held for longer where they hardly change", () => {
  // Against the same model taken step by step through the temperatures that the trial itself came to.
  it.each([
    ["ale", 12],
    ["tempeh", 2],
    ["honey", 8],
  ])("%s: come to what they come to when they are looked at every step", (id, days) => {
    // Doors that cut some of the spans short.
    const doors = Array.from({ length: 3 * days }, (_, i) => ({
      kind: "door" as const,
      at: (8 * i + 5.21) * 3600,
      lasting: 60,
    }));
    const run = startRun({ ...trialOf(planOf(meeting(jobIn(id), ...doors)), days + 1), plain: true });
    const { dt, chamber } = run.input;
    const spans: number[] = [];
    let cut = 0;
    let due = 0;
    const fine = chamber.vessels.map((v) => modelOf(v.product).start(v.product, lotOf(v), v.startTemperature));
    const out = { watts: 0, drying: 0 };
    const watcher = {
      sample({ x, step, paces }: RunState) {
        const { from, span } = paces.products;
        if (step === from) {
          spans.push(span);
          if (step < due) cut++;
          due = from + span;
        }
        chamber.vessels.forEach(({ product }, v) => {
          const feels = { ...feel(x[run.network.vessels[v]!]!), parts: run.network.shells[v]!.map((s) => x[s.node]!) };
          modelOf(product).step(fine[v]!, product, feels, (step + 0.5) * dt, dt, out);
        });
      },
    };
    advance(run, (days * 86_400) / dt, watcher);
    // Products are ahead of the trial by the rest of their span: the other one is led there too.
    const held = run.state.products.map((p) => ({ ...p }));
    advance(run, run.state.paces.products.until, watcher);
    expect(Math.max(...spans)).toBeGreaterThan(Math.min(...spans));
    expect(cut).toBeGreaterThan(days);
    expect(Math.max(...spans) * dt).toBeLessThanOrEqual(LONGEST_SPAN);
    const seen: string[] = [];
    chamber.vessels.forEach(({ product }, v) => {
      for (const { name, of } of modelOf(product).observables) {
        const exact = of(fine[v]!, product);
        seen.push(name);
        expect(Math.abs(of(held[v]!, product) - exact)).toBeLessThanOrEqual(5e-3 * Math.abs(exact) + 1e-9);
      }
    });
    expect(seen).not.toEqual([]);
  });
});

describe("water that is moved for longer while nothing is wet", () => {
  // Against the change of air with the room, dv/dt = n·(room − v), stepped by itself.
  it.each([
    ["however often a span is cut short", [], 5e-3],
    // A door is spread over its span: a third of an air change by 1/(1 + x) and not e^−x.
    ["with what came through a door on the way", [20.51, 33.2, 50.77, 71.9], 2e-2],
  ])("changes with the room as quickly as ever, %s", (_, opened, within) => {
    const record = applyEdits(jobIn("ale", edit("vessel", "startTemperature", celsius(19))), [
      edit("moisture", "reckoned", true),
      edit("moisture", "room", 0.15),
      edit("room", "low", celsius(19)),
      edit("room", "high", celsius(31)),
    ]);
    const doors = opened.map((h) => ({ kind: "door" as const, at: h * 3600, lasting: 5 }));
    const run = startRun({ ...trialOf(planOf(meeting(record, ...doors)), 4), plain: true });
    const { chamber, dt } = run.input;
    expect(run.moist?.bare).toBe(true);
    // Air through an open door by the heat that it takes: 1.2 kg/m³ of 1006 J/(kg K).
    const through = chamber.thermal.openToRoom / 1207 / run.moist!.volume;
    const open = (t: number) => doors.some((d) => t >= d.at && t < d.at + d.lasting);
    const spans: number[] = [];
    let cut = 0;
    let last = { from: 0, span: 0 };
    let vapour = run.state.moisture!.air[0]!.vapour;
    let furthest = 0;
    advance(run, run.steps, {
      sample({ moisture, paces, step }: RunState, room) {
        const { from, span, until } = paces.water;
        if (step === from) {
          spans.push(span);
          if (step < last.from + last.span) cut++;
          last = { from, span };
        }
        expect(moisture!.air[0]!.film.every((kg) => kg === 0)).toBe(true);
        // What is in force stands at the end of its span, and a door in it comes with the next.
        const after = doors.some((d) => step * dt >= d.at && step * dt < d.at + 600);
        if (step === until - 1 && step > 86_400 / dt && !after)
          furthest = Math.max(furthest, Math.abs(moisture!.air[0]!.vapour / vapour - 1));
        const air = chamber.moisture.airChanges / 3600 + (open(step * dt) ? through : 0);
        vapour += (1 - Math.exp(-air * dt)) * (vapourIn(chamber.moisture.room, room) - vapour);
      },
    });
    expect(Math.max(...spans)).toBeGreaterThanOrEqual(4 * Math.min(...spans));
    expect(cut).toBeGreaterThan(20);
    expect(furthest).toBeLessThan(within);
  });
});
