import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Abandoned, Crew, Crowded, Overrun } from "./crew";
import { knock } from "./door";
import { newCrew, startThread } from "./threads";

const dir = mkdtempSync(join(tmpdir(), "crock-crew-"));
const real = join(dir, "real.mjs");
/** A program that does as the call says. */
const odd = join(dir, "odd.mjs");

beforeAll(() => {
  execFileSync(process.execPath, ["scripts/thread.mjs", real]);
  writeFileSync(
    odd,
    `import { parentPort, threadId } from "node:worker_threads";
     parentPort.on("message", ({ text }) => {
       if (text === "hang") for (;;);
       if (text === "die") process.exit(1);
       if (text === "throw") throw new Error("odd");
       const wait = Number(text.replace("wait ", "")) || 0;
       setTimeout(() => parentPort.postMessage({ status: 200, body: String(threadId) }), wait);
     });`,
  );
});
afterAll(() => rmSync(dir, { recursive: true, force: true }));

const crewOf = (file: string, more = {}) => {
  // A thread alone takes a second to start where others use the machine too.
  const limits = { threads: 1, waiting: 2, longest: 4000, ...more };
  return new Crew(() => startThread(file), { light: limits, heavy: limits });
};
const job = (text: string) => ({ call: "settings" as const, text });

describe("threads of the door", () => {
  it("do the work of a call beside the process that serves the pages", async () => {
    const crew = newCrew(() => startThread(real));
    const body = (days: number) => ({ text: JSON.stringify({ chamber: {}, days, bins: 10 }) });
    const reply = await knock("trial", "application/json", body(1), crew);
    expect([reply.status, Object.keys(JSON.parse(reply.body) as object)]).toEqual([
      200,
      expect.arrayContaining(["metrics"]),
    ]);
    // While it computes, this process has its turns: the longest pause is far from the length of the work.
    let longest = 0;
    let last = performance.now();
    const beat = setInterval(() => {
      longest = Math.max(longest, performance.now() - last);
      last = performance.now();
    }, 5);
    const begun = performance.now();
    const heavy = await Promise.all(
      Array.from({ length: 4 }, () => knock("trial", "application/json", body(30), crew)),
    );
    const took = performance.now() - begun;
    clearInterval(beat);
    expect(heavy.map((r) => r.status)).toEqual([200, 200, 200, 200]);
    expect(longest).toBeLessThan(took);
    const broken = await knock("trial", "application/json", { text: "{" }, crew);
    expect(broken.status).toBe(400);
  }, 60_000);

  it("answer what is light while heavy work waits for its turn", async () => {
    const crew = crewOf(odd, { longest: 20_000 });
    const order: string[] = [];
    const heavy = ["wait 300", "wait 300"].map((t) => crew.have("heavy", job(t)).then(() => order.push("heavy")));
    await crew.have("light", job("wait 1")).then(() => order.push("light"));
    await Promise.all(heavy);
    expect(order).toEqual(["light", "heavy", "heavy"]);
  });

  it("are ended when they take too long, and the next call has a new one", async () => {
    const crew = crewOf(odd);
    const first = await crew.have("light", job("wait 1"));
    await expect(crew.have("light", job("hang"))).rejects.toBeInstanceOf(Overrun);
    const next = await crew.have("light", job("wait 1"));
    expect(next.status).toBe(200);
    expect(next.body).not.toBe(first.body);
  });

  it.each(["die", "throw"])("that %s end their own call alone", async (how) => {
    const crew = crewOf(odd);
    await expect(crew.have("light", job(how))).rejects.toThrow();
    expect((await crew.have("light", job("wait 1"))).status).toBe(200);
  });

  it("that turn out heavy among the light ones go on among the heavy ones, and keep no light one waiting", async () => {
    const crew = new Crew(() => startThread(odd), {
      light: { threads: 1, waiting: 5, longest: 4000 },
      heavy: { threads: 1, waiting: 5, longest: 20_000 },
    });
    const ended: string[] = [];
    const ask = async (text: string) => {
      const { status } = await knock("settings", "application/json", { text }, crew);
      ended.push(text);
      return status;
    };
    expect(await Promise.all([ask("wait 9000"), ask("wait 1")])).toEqual([200, 200]);
    expect(ended).toEqual(["wait 1", "wait 9000"]);
  }, 60_000);

  it("are ended when nobody waits any more, and what still waited is let go", async () => {
    const crew = crewOf(odd, { longest: 20_000 });
    const [running, waiting] = [new AbortController(), new AbortController()];
    const first = crew.have("light", job("hang"), running.signal);
    const second = crew.have("light", job("hang"), waiting.signal);
    const third = crew.have("light", job("wait 1"));
    waiting.abort();
    await expect(second).rejects.toBeInstanceOf(Abandoned);
    running.abort();
    await expect(first).rejects.toBeInstanceOf(Abandoned);
    expect((await third).status).toBe(200);
    await expect(crew.have("light", job("wait 1"), running.signal)).rejects.toBeInstanceOf(Abandoned);
  });

  it("take no more than may wait: the rest is asked to come again", async () => {
    const crew = crewOf(odd, { longest: 20_000 });
    const some = ["wait 50", "wait 1", "wait 1"].map((t) => crew.have("heavy", job(t)));
    await expect(crew.have("heavy", job("wait 1"))).rejects.toBeInstanceOf(Crowded);
    const reply = await knock("recommendation", "application/json", { text: "{}" }, crew);
    expect([reply.status, reply.headers?.["Retry-After"]]).toEqual([503, "2"]);
    expect((await Promise.all(some)).map((r) => r.status)).toEqual([200, 200, 200]);
    expect((await crew.have("heavy", job("wait 1"))).status).toBe(200);
  });

  it("whose program is not there is our fault, and said as that", async () => {
    const crew = new Crew(() => startThread(join(dir, "nothing.mjs")), {
      light: { threads: 1, waiting: 0, longest: 100 },
      heavy: { threads: 1, waiting: 0, longest: 100 },
    });
    for (let i = 0; i < 2; i++)
      expect((await knock("settings", "application/json", { text: "{}" }, crew)).status).toBe(500);
  });
});
