import { deal, type Hand } from "./deal";

const never = () => false;
/** Answers after a pause, so that hands overtake each other. */
const slow =
  (pause: (n: number) => number, seen: number[] = []): Hand<number, number> =>
  (n) =>
    new Promise((resolve) => {
      seen.push(n);
      setTimeout(() => resolve(n * n), pause(n));
    });

describe("dealing work to hands", () => {
  const tasks = [5, 4, 3, 2, 1, 0];

  it("answers in the order of the tasks, whoever was faster", async () => {
    const [a, b]: [number[], number[]] = [[], []];
    const done: number[] = [];
    const answers = await deal(tasks, [slow((n) => 4 * n, a), slow((n) => 12 - 2 * n, b)], never, (n) => done.push(n));
    expect(answers).toEqual(tasks.map((n) => n * n));
    expect(a.length).toBeGreaterThan(0);
    expect(b.length).toBeGreaterThan(0);
    expect([...a, ...b].sort()).toEqual([...tasks].sort());
    expect(done).toEqual([1, 2, 3, 4, 5, 6]);
  });

  it("stops before the next task and then has no answer", async () => {
    const seen: number[] = [];
    const answers = await deal(tasks, [slow(() => 1, seen)], () => seen.length >= 2);
    expect(answers).toBeNull();
    expect(seen).toEqual([5, 4]);
  });

  it("ends with the first hand that fails; the others begin nothing more", async () => {
    const seen: number[] = [];
    const fails: Hand<number, number> = () => Promise.reject(new Error("gone"));
    await expect(deal(tasks, [slow(() => 5, seen), fails], never)).rejects.toThrow("gone");
    await new Promise((resolve) => setTimeout(resolve, 30));
    expect(seen).toEqual([5]);
  });

  it("what a hand that went silent had begun is done by the first one; a late answer changes nothing", async () => {
    const seen: number[] = [];
    let late: (value: number) => void = () => undefined;
    const silent: Hand<number, number> = () => new Promise((resolve) => (late = resolve));
    const done: number[] = [];
    const dealt = deal(tasks, [slow(() => 1, seen), silent], never, (n) => done.push(n), 20);
    expect(await dealt).toEqual(tasks.map((n) => n * n));
    late(-1);
    expect(await dealt).toEqual(tasks.map((n) => n * n));
    expect([...seen].sort()).toEqual([...tasks].sort());
    expect(done).toEqual([1, 2, 3, 4, 5, 6]);
  });

  it("of nothing is nothing", async () => {
    expect(await deal([], [slow(() => 1)], never)).toEqual([]);
  });
});
