// The search for the best settings, and how many remedies keep their word, under Node.
import { once } from "node:events";
import { isMainThread, parentPort, Worker } from "node:worker_threads";
import { newChamber } from "../core/chamber";
import { applyEdits, type Edit } from "../core/model";
import { celsius } from "../core/quantity";
import { scoreOf, setupsOf } from "../core/recommend";
import { randomChambers } from "../core/testing/randomChambers";
import { remedyShare } from "../core/testing/remedyShare";
import { walk } from "../core/testing/walk";

const edit = (field: string, value: number): Edit => ({ section: "room", field, value: celsius(value) }) as Edit;
const record = applyEdits(newChamber("bench", "Bench", "2026-01-01T00:00:00.000Z"), [edit("low", 5), edit("high", 28)]);
const [setup] = setupsOf(record, { probe: false, heater: false });
const { plan, group, seasons, keyed } = setup!;
/** Scores every `of`th candidate of a hundred, over all seasons. */
function scoreShare(first: number, of: number): void {
  for (let i = first; i < 100; i += of)
    scoreOf({ heating: 0.3 + i * 0.02, cooling: 0.3 + i * 0.01, shift: 0 }, plan.chamber, group, seasons, keyed);
}

if (!isMainThread)
  parentPort!.on("message", () => {
    scoreShare(1, 2);
    parentPort!.postMessage("done");
  });
else {
  const helper = new Worker(new URL(import.meta.url));
  const helped = async () => {
    const done = once(helper, "message");
    helper.postMessage("go");
    scoreShare(0, 2);
    await done;
  };
  const spansOf = async (work: () => void | Promise<void>) => {
    const spans: number[] = [];
    for (let k = 0; k < 5; k++) {
      const start = performance.now();
      await work();
      spans.push((performance.now() - start) / 1000);
    }
    return spans.sort((a, b) => a - b);
  };
  const one = await spansOf(() => scoreShare(0, 1));
  const two = await spansOf(helped);
  await helper.terminate();
  const say = (spans: number[]) => `median ${spans[2]!.toFixed(2)} s, fastest ${spans[0]!.toFixed(2)} s`;
  console.log(
    `100 candidates × 3 seasons × 4 days at 10 s: on one core ${say(one)}; on two ${say(two)}; ratio of the medians ${(one[2]! / two[2]!).toFixed(1)}`,
  );
  const share = remedyShare(randomChambers(200, 20_261_125), 3, 5);
  console.log(
    `Remedies offered as a cure on 200 random chambers: ${share.offered}, of which ${share.kept} (${((share.kept / share.offered) * 100).toFixed(1)} %) keep their word in a longer trial`,
  );
  for (const line of share.broken) console.log(`  ${line}`);
  const walks = randomChambers(200, 4242).map(walk);
  const circles = walks.filter(({ way }) => new Set(way).size < way.length).length;
  const ordered = walks.filter((w) => w.left.length === 0).length;
  const uncured = walks.filter((w) => w.uncured).length;
  console.log(
    `First remedy that cures, pressed up to five times on 200 random chambers: ${ordered} end in order, ${uncured} where none cures any more, ${200 - ordered - uncured} are still on the way, ${circles} go in a circle`,
  );
}
