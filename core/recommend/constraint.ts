import { coldAvailable, coldNeeded, hasCooler, hasHeater, heaterPower, heatNeeded } from "../chamber";
import { celsius, measures, printMeasure, printTemperature, type Scale } from "../quantity";
import { judgedName, switchesOf } from "../trial";
import { CHASE_PER_DAY, withArticle } from "../verdict";
import type { SeasonScore } from "./score";
import type { Season, SeasonName } from "./seasons";
import type { Setup } from "./setups";
import type { TradePoint } from "./types";

/** What stands in the way: an end of the band, what a device wears, or the room that heat and cold need. */
export type Cause = "warm" | "cold" | "wear" | "chase";

/** The binding constraint of a search that found nothing. */
export interface BindingConstraint {
  season: SeasonName;
  /** What it is about: a vessel, or "air". */
  judged: string;
  cause: Cause;
  /** How far past its end of the band the product gets, K; 0 for the other causes. */
  by: number;
  text: string;
}

const SEASONS: Record<SeasonName, string> = {
  coldest: "the coldest room",
  mild: "a mild room with the product\u2019s own heat",
  hottest: "the hottest room",
};

/** Past the band by less than this is not what binds, K. */
const PAST = 0.05;
/** A device this close to what is asked of it has nothing to spare. */
const FULL = 0.95;

const watts = (w: number) => printMeasure(Math.round(w), measures.power, "metric");

/** What the devices lack, whatever the numbers; empty where they are enough. */
function lacking({ plan, stage }: Setup, season: Season, worst: SeasonScore, warm: boolean): string {
  const { chamber } = plan;
  const target = celsius(worst.band.target);
  const can = switchesOf(chamber);
  const need = warm
    ? coldNeeded(season.chamber, target, season.ownHeat)
    : heatNeeded(season.chamber, target, plan.stages[stage]!.stage, worst.judged);
  if (need <= 0) return "";
  if (warm && !can.cold)
    return hasCooler(chamber)
      ? " No number helps: no unit here switches the cooling."
      : " No number helps: nothing here takes heat away.";
  if (!warm && !can.heat)
    return hasHeater(chamber)
      ? " No number helps: no unit here switches the heater."
      : " No number helps: nothing here heats.";
  const have = warm ? coldAvailable(season.chamber, target, season.room) : heaterPower(chamber);
  return need > have * FULL
    ? ` No number helps: that takes about ${watts(need)} of ${warm ? "cold" : "heat"}, and there are ${watts(have)}.`
    : "";
}

/** What points do to the devices, in words: "would …". */
export function faultsOf(points: readonly TradePoint[]): string[] {
  const some = (fails: (season: SeasonScore) => boolean) => points.some((p) => p.score.seasons.some(fails));
  const most = points[0]?.score.mostStarts ?? null;
  const chases = some((s) => s.reversalsPerDay > CHASE_PER_DAY);
  return [
    chases ? "let heat and cold chase each other" : "",
    !chases && points.some((p) => p.score.tight)
      ? "leave too little between heat and cold, which then chase each other"
      : "",
    points.some((p) => (p.score.worstReversals ?? 0) > CHASE_PER_DAY)
      ? "hold only if what is estimated of the box is right"
      : "",
    most !== null && some((s) => s.coldStartsPerHour > most) ? `start more than ${most} times an hour` : "",
  ].filter(Boolean);
}

/** Why nothing satisfies, by the nearest of what was tried on its own chamber. */
export function bindingConstraintOf(
  setup: Setup,
  { score }: TradePoint,
  points: readonly TradePoint[],
  scale: Scale,
): BindingConstraint {
  const { seasons, plan } = setup;
  const worst = [...score.seasons].sort((a, b) => b.past - a.past)[0]!;
  const judged = withArticle(judgedName(worst.judged, plan.chamber.vessels));
  const by = worst.past;
  const show = (t: number) => printTemperature(celsius(t), scale);
  if (by > PAST) {
    const { band } = worst;
    const warm = worst.high - band.high >= band.low - worst.low;
    const keeping = points.filter((p) => p.score.seasons.every((s) => s.past <= PAST));
    const faults = faultsOf(keeping);
    const but = faults.length > 0 ? ` The numbers that do keep it would ${faults.join(" or ")}.` : "";
    const season = seasons.find((s) => s.name === worst.name)!;
    const end = warm
      ? `the warmest that you allow (${show(band.high)})`
      : `the coldest that you allow (${show(band.low)})`;
    return {
      season: worst.name,
      judged: worst.judged,
      cause: warm ? "warm" : "cold",
      by,
      text: `In ${SEASONS[worst.name]} ${judged} ${warm ? "rises to" : "sinks to"} ${show(warm ? worst.high : worst.low)} even with the best numbers found: ${end} binds.${lacking(setup, season, worst, warm)}${but}`,
    };
  }
  const busiest = [...score.seasons].sort((a, b) => b.coldStartsPerHour - a.coldStartsPerHour)[0]!;
  if (score.mostStarts !== null && busiest.coldStartsPerHour > score.mostStarts)
    return {
      season: busiest.name,
      judged: busiest.judged,
      cause: "wear",
      by: 0,
      text: `Within this band the compressor starts ${Math.round(busiest.coldStartsPerHour)} times an hour in ${SEASONS[busiest.name]}: the ${score.mostStarts} an hour that it may bind.`,
    };
  const chased = [...score.seasons].sort((a, b) => b.reversalsPerDay - a.reversalsPerDay)[0]!;
  return {
    season: chased.name,
    judged: chased.judged,
    cause: "chase",
    by: 0,
    text:
      chased.reversalsPerDay > CHASE_PER_DAY
        ? `In ${SEASONS[chased.name]} heat and cold answer each other ${Math.round(chased.reversalsPerDay)} times a day: the band leaves too little between them, and the margins against chasing bind.`
        : score.tight || (score.worstReversals ?? 0) > CHASE_PER_DAY
          ? "The band leaves too little between heat and cold: the margins against chasing bind."
          : "The band leaves nothing to spare: what seemed to hold did not when it was looked at closely.",
  };
}
