import { newChamber } from "@/core/chamber";
import { expose } from "comlink";
import { ensembleNow } from "@/core/testing/ensembleNow";
import { planOf, runTrial, shownOf, trialOf } from "@/core/trial";
import { judge } from "@/core/verdict";
import { desk } from "./desk";
import { drive, Stopped, type Work } from "./drive";
import { helperThat } from "./jobs";

const record = newChamber("a", "A", "2026-01-01T00:00:00.000Z");
const never = () => false;

describe("driving a piece of work", () => {
  it("takes its turns with others, tells how far it is, and gives its answer", async () => {
    const order: string[] = [];
    const told: unknown[] = [];
    const busy = (name: string) =>
      drive(
        function* ({ progress }): Work<string> {
          for (let i = 0; i < 20; i++) {
            const until = performance.now() + 5;
            while (performance.now() < until);
            order.push(name);
            progress(i);
            yield;
          }
          return name;
        },
        never,
        (p) => told.push(p),
      );
    expect(await Promise.all([busy("a"), busy("b")])).toEqual(["a", "b"]);
    expect(told).toHaveLength(40);
    const turns = order.filter((name, i) => name !== order[i - 1]).length;
    expect(turns).toBeGreaterThan(4);
  });

  it("waits for what it asks for and hands it back", async () => {
    const answer = await drive(function* (): Work<number> {
      const a = (yield Promise.resolve(3)) as number;
      const b = (yield Promise.resolve(4)) as number;
      return a * b;
    }, never);
    expect(answer).toBe(12);
  });

  it("ends between two steps when nobody wants it any more, and lets it tidy up", async () => {
    let steps = 0;
    let tidy = false;
    const work = drive(
      function* (): Work<void> {
        try {
          for (;;) {
            steps++;
            yield;
          }
        } finally {
          tidy = true;
        }
      },
      () => steps >= 5,
    );
    await expect(work).rejects.toBeInstanceOf(Stopped);
    expect([steps, tidy]).toEqual([5, true]);
  });

  it("says that it is alive though it has no progress to tell", async () => {
    const told: unknown[] = [];
    const end = performance.now() + 1200;
    await drive(
      function* (): Work<void> {
        while (performance.now() < end) yield;
      },
      never,
      (p) => told.push(p),
    );
    expect(told).toEqual([null]);
  });

  it("throws what it throws", async () => {
    await expect(
      drive(function* (): Work<void> {
        yield;
        throw new Error("no such box");
      }, never),
    ).rejects.toThrow("no such box");
  });
});

describe("jobs", () => {
  it("a trial in slices is the trial in one go", async () => {
    const { trial, verdicts, plan } = await desk.run(1, "trial", { record, days: 2, scale: "C" });
    const whole = runTrial(trialOf(planOf(record), 2));
    expect(trial.metrics).toEqual(whole.metrics);
    expect(verdicts).toEqual(judge(plan, whole, "C"));
  });

  it("a stretch is of the trial before, or runs it first", async () => {
    const asked = { record, days: 2, from: 3600, to: 7200, bins: 20 };
    const kept = await desk.run(2, "stretch", asked);
    const other = await desk.run(3, "stretch", { ...asked, record: { ...record, name: "B" } });
    expect(kept.low.product).toEqual(other.low.product);
    expect([kept.from, kept.bins]).toEqual([3600, 20]);
  });

  it("the range of a trial is the same by two hands as by one, and says how far it is", async () => {
    const plan = planOf(record);
    const shown = shownOf(plan.chamber, runTrial(trialOf(plan, 3)));
    const { port1, port2 } = new MessageChannel();
    const helps = jest.fn(() => Promise.resolve());
    expose(helperThat(helps), port1);
    const told: { done: number; of: number }[] = [];
    const found = await desk.run(7, "range", { record, shown, hands: [port2] }, (p) => {
      if (p) told.push(p as { done: number; of: number });
    });
    expect(found).toEqual(ensembleNow(plan, shown));
    expect(helps).toHaveBeenCalled();
    expect(told.map((t) => t.done)).toEqual(Array.from({ length: 40 }, (_, i) => i + 1));
    expect(told.every((t) => t.of === 40)).toBe(true);
    port1.close();
  }, 60_000);

  it("a search tells its progress, and ends when it is stopped", async () => {
    const told: number[] = [];
    const search = desk.run(4, "recommend", { record, options: { probe: false, heater: false }, hands: [] }, (p) => {
      if (p) told.push((p as { done: number }).done);
      if (told.length === 3) desk.stop(4);
    });
    await expect(search).rejects.toBeInstanceOf(Stopped);
    expect(told.length).toBeLessThan(20);
  });
});
