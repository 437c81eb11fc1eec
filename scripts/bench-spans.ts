// Whether advised settings keep heat and cold apart over all that the estimates of a box can be, on random chambers.
import { SPAN, withShares, type Shares } from "@/core/chamber";
import type { Chamber, Settings } from "@/core/model";
import { chance } from "@/core/quantity";
import { randomChambers } from "@/core/testing/randomChambers";
import { planOf, runTrial, trialWith } from "@/core/trial";
import { CHASE_PER_DAY } from "@/core/verdict";

const CHAMBERS = 100;
const DRAWS = 8;
const [DAYS, STEP] = [3, 10];

const random = chance(11);
const drawn = (): Shares => {
  const share = (name: keyof typeof SPAN) => SPAN[name][0] + random() * (SPAN[name][1] - SPAN[name][0]);
  return { films: share("films"), radiated: share("radiated"), stored: share("stored"), given: share("given") };
};

const perDay = (chamber: Chamber, settings: Settings[][]) =>
  runTrial(trialWith(chamber, settings, DAYS, STEP)).metrics.reversals.perDay;

let [central, somewhere] = [0, 0];
for (const record of randomChambers(CHAMBERS, 4242)) {
  const plan = planOf(record);
  const advised = plan.stages.map((s) => s.controls.map((c) => c.advised));
  if (perDay(plan.chamber, advised) > CHASE_PER_DAY) central++;
  const worst = Math.max(...Array.from({ length: DRAWS }, () => perDay(withShares(plan.chamber, drawn()), advised)));
  if (worst <= CHASE_PER_DAY) continue;
  somewhere++;
  const { cabinet, probes, room } = plan.chamber;
  console.log(
    `  chases ${worst.toFixed(0)} times a day: ${cabinet.kind}, probe ${probes[0]!.place}, room ${room.low.toFixed(0)} to ${room.high.toFixed(0)} °C`,
  );
}
console.log(
  `Chasing over the spans, advised settings of ${CHAMBERS} random chambers: ${central} by the estimates, ${somewhere} at any of ${DRAWS} draws each`,
);
