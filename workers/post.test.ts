import { Post, whyLost, WorkLost, type Started } from "./post";

/** Workers that do what they are told: answer, never answer, or die on a word. */
function workshop() {
  const started: { ended: boolean; die: () => void }[] = [];
  const start = (): Started<{ say: (n: number) => Promise<number>; hang: () => Promise<never> }> => {
    let die: () => void = () => undefined;
    const one = { ended: false, die: () => die() };
    started.push(one);
    return {
      remote: { say: (n) => Promise.resolve(n * started.length), hang: () => new Promise<never>(() => undefined) },
      worker: {
        terminate: () => (one.ended = true),
        addEventListener: (_: string, hear: unknown) => (die = hear as () => void),
      } as unknown as Worker,
    };
  };
  return { started, start };
}

describe("a worker at its post", () => {
  it("is started once and asked again and again", async () => {
    const { started, start } = workshop();
    const post = new Post(start, 50);
    expect([await post.ask((w) => w.say(3)), await post.ask((w) => w.say(4))]).toEqual([3, 4]);
    expect(started).toHaveLength(1);
  });

  it("that ends without a word is replaced at once, and what it was asked ends with the reason", async () => {
    const { started, start } = workshop();
    const ends: (() => void)[] = [];
    const post = new Post(() => ({ ...start(), ended: new Promise<void>((resolve) => ends.push(resolve)) }), 60_000);
    const asked = post.ask((w) => w.hang());
    ends[0]!();
    await expect(asked).rejects.toThrow(/its worker ended/);
    expect(await post.ask((w) => w.say(3))).toBe(6);
    expect(started).toHaveLength(2);
  });

  it("that takes too long is ended and replaced; all that it was asked ends with the reason", async () => {
    const { started, start } = workshop();
    const post = new Post(start, 30);
    const [slow, behind] = [post.ask((w) => w.hang()), post.ask((w) => w.hang())];
    await expect(slow).rejects.toThrow(WorkLost);
    await expect(behind).rejects.toThrow(/no sign of life/);
    expect(started[0]!.ended).toBe(true);
    expect(await post.ask((w) => w.say(3))).toBe(6);
    expect(started.map((s) => s.ended)).toEqual([true, false]);
  });

  it("is given as long again at each sign of life", async () => {
    const { started, start } = workshop();
    const post = new Post(start, 60);
    const answer = await post.ask(async (_, alive) => {
      for (let i = 0; i < 5; i++) {
        await new Promise((resolve) => setTimeout(resolve, 30));
        alive();
      }
      return "done";
    });
    expect(answer).toBe("done");
    expect(started[0]!.ended).toBe(false);
  });

  it("that dies, or never loads, is replaced at the next question", async () => {
    const { started, start } = workshop();
    const post = new Post(start, 1000);
    const asked = post.ask((w) => w.hang());
    started[0]!.die();
    await expect(asked).rejects.toThrow(/ended or could not be loaded/);
    expect(await post.ask((w) => w.say(1))).toBe(2);
    // A word of the one that is gone does not take its follower away.
    started[0]!.die();
    expect(await post.ask((w) => w.say(1))).toBe(2);
    expect(started).toHaveLength(2);
  });

  it("stays where the work itself fails: that is the work's fault", async () => {
    const { started, start } = workshop();
    const post = new Post(start, 1000);
    await expect(post.ask(() => Promise.reject(new Error("no such box.")))).rejects.toThrow("no such box");
    await post.ask((w) => w.say(1));
    expect(started).toHaveLength(1);
    expect([whyLost(new Error("no such box.")), whyLost("odd")]).toEqual(["no such box", "something went wrong in it"]);
  });
});
