import { expose, transfer, wrap, type Remote } from "comlink";
import type { Desk } from "./desk";
import { Pool } from "./pool";
import { WorkLost } from "./post";

const input = undefined as never;

/** A worker that ends its jobs when told to. */
function place() {
  const jobs: { id: number; name: string; end: (value: unknown) => void; fail: (why: unknown) => void }[] = [];
  const stopped: number[] = [];
  const desk = {
    run: (id: number, name: string) =>
      new Promise((resolve, reject) => jobs.push({ id, name, end: resolve, fail: reject })),
    stop: (id: number) => Promise.resolve(void stopped.push(id)),
    lend: () => Promise.reject(new Error("busy")),
    warm: () => Promise.resolve(void jobs.push({ id: 0, name: "warmed", end: () => null, fail: () => null })),
  };
  const ask = jest.fn(<R>(job: (d: typeof desk, alive: () => void) => Promise<R>, _longest?: number) =>
    job(desk, () => undefined),
  );
  return { jobs, stopped, ask };
}
type Place = ConstructorParameters<typeof Pool>[0];
const poolOf = (screen: ReturnType<typeof place>, ...rest: ReturnType<typeof place>[]) =>
  new Pool(screen as unknown as Place, rest as unknown as Place[]);

describe("the workers of a page", () => {
  it("keep one for what is on screen, and share the rest among the others", async () => {
    const [screen, a, b] = [place(), place(), place()];
    const pool = poolOf(screen, a, b);
    const shown = pool.run("warm", input, { lane: "screen" });
    const others = [1, 2, 3].map(() => pool.run("warm", input));
    expect([screen, a, b].map((p) => p.jobs.length)).toEqual([1, 2, 1]);
    b.jobs[0]!.end(undefined);
    await others[1];
    const next = pool.run("warm", input);
    expect([a, b].map((p) => p.jobs.length)).toEqual([2, 2]);
    for (const p of [screen, a, b]) for (const j of p.jobs) j.end(undefined);
    await Promise.all([shown, next, ...others]);
  });

  it("give each job a limit of time, and an end by its signal", async () => {
    const [screen, a] = [place(), place()];
    const pool = poolOf(screen, a);
    const left = new AbortController();
    const asked = pool.run("recommend", input, { signal: left.signal });
    expect(a.ask.mock.calls[0]![1]).toBeGreaterThan(0);
    left.abort(new Error("enough"));
    await expect(asked).rejects.toThrow("enough");
    expect(a.stopped).toEqual([a.jobs[0]!.id]);
    // What it still says interests nobody, and its place counts as free.
    a.jobs[0]!.fail(new Error("late"));
    await expect(pool.run("warm", input, { signal: left.signal })).rejects.toThrow("enough");
    expect(a.jobs).toHaveLength(1);
  });

  it("tell why a job has no answer, and take the next one all the same", async () => {
    const [screen, a] = [place(), place()];
    const pool = poolOf(screen, a);
    const asked = pool.run("warm", input);
    a.jobs[0]!.fail(new WorkLost("its worker ended"));
    await expect(asked).rejects.toBeInstanceOf(WorkLost);
    const next = pool.run("warm", input);
    a.jobs[1]!.end(undefined);
    await next;
  });

  it("lend each other lines that really go over: a line is handed over and cannot be copied", async () => {
    const opened: MessageChannel[] = [];
    const channel = () => {
      const made = new MessageChannel();
      opened.push(made);
      return made;
    };
    const desk = {
      run: (_id: number, _job: string, input: { hands: MessagePort[] }) => input.hands.length,
      lend: () => {
        const { port2 } = channel();
        return transfer(port2, [port2]);
      },
    };
    const real = () => {
      const { port1, port2 } = channel();
      expose(desk, port1);
      const remote = wrap<Desk>(port2) as Remote<Desk>;
      return { ask: <R>(job: (d: Remote<Desk>, alive: () => void) => Promise<R>) => job(remote, () => undefined) };
    };
    const pool = new Pool(real(), [real(), real(), real()]);
    const hands = await pool.hands();
    // All but the one that leads, or as many as are wanted; with one core there is nobody to ask.
    expect(hands).toHaveLength(3);
    expect(await pool.hands(2)).toHaveLength(2);
    expect(await new Pool(real(), [real(), real()], true).hands()).toEqual([]);
    const asked = { record: {}, options: {}, hands } as never;
    expect(await pool.run("recommend", asked, { give: hands })).toBe(3);
    for (const { port1, port2 } of opened) for (const port of [port1, port2]) port.close();
  });

  it("do without help where none is to be had, and warm the one of the screen", async () => {
    const [screen, a, b] = [place(), place(), place()];
    const pool = poolOf(screen, a, b);
    expect(await pool.hands()).toEqual([]);
    pool.warm();
    expect(screen.jobs.map((j) => j.name)).toEqual(["warmed"]);
  });
});
