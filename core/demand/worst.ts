import {
  coldAvailable,
  contentsCapacity,
  coolerLabels,
  coolersOf,
  heaterBodies,
  heatersOf,
  heatNeeded,
  lossCoefficient,
} from "../chamber";
import type { Chamber, LoadedVessel, Stage } from "../model";
import { peakHeatOfAll } from "../product";
import { celsius, type Temperature } from "../quantity";

/** One thing that asks for heat or cold, or saves some of it (below 0), W. */
export interface Load {
  name: string;
  watts: number;
}

/** The worst hour of one side: what asks for it, against what each device gives at that temperature. */
export interface Demand {
  side: "heat" | "cold";
  /** What is held, and the room in which it is worst, °C. */
  target: Temperature;
  room: Temperature;
  holds: Load[];
  /** To bring what is put in into its band within the hours allowed; null: it needs nothing of this side. */
  pull: { joules: number; watts: number } | null;
  /** All that holds, and with what is put in. */
  hold: number;
  total: number;
  devices: { id: string; name: string; watts: number }[];
  gives: number;
}

const targetOf = (vessel: LoadedVessel, stage: Pick<Stage, "target">): Temperature =>
  vessel.band?.target ?? stage.target;
const sum = (loads: readonly { watts: number }[]): number => loads.reduce((all, l) => all + l.watts, 0);
/** Less than this is nothing, W. */
const LEAST = 0.05;
const asked = (loads: Load[]): Load[] => loads.filter((l) => Math.abs(l.watts) >= LEAST);
const numbered = <T extends { id: string }>(list: readonly T[], label: (entry: T) => string) =>
  list.map((entry, i) => ({ id: entry.id, name: list.length > 1 ? `${label(entry)} ${i + 1}` : label(entry) }));

/** Heat that has to go into, or out of, what is put in too cold or too warm, J: never below 0. */
const pulled = ({ vessels }: Chamber, stage: Pick<Stage, "target">, side: Demand["side"]): number =>
  vessels.reduce((all, v) => {
    const by = side === "heat" ? targetOf(v, stage) - v.startTemperature : v.startTemperature - targetOf(v, stage);
    return all + contentsCapacity(v) * Math.max(0, by);
  }, 0);

function drawnUp(
  side: Demand["side"],
  chamber: Chamber,
  stage: Pick<Stage, "target">,
  holds: Load[],
  devices: Demand["devices"],
): Demand {
  const joules = pulled(chamber, stage, side);
  const hold = Math.max(0, sum(holds));
  const watts = joules / (chamber.build.loadHours * 3600);
  // Rounded degrees leave a trace of it that nobody has to bring.
  const brings = watts >= LEAST;
  const gives = sum(devices);
  return {
    side,
    target: stage.target,
    room: side === "heat" ? chamber.room.low : chamber.room.high,
    holds,
    pull: brings ? { joules, watts } : null,
    hold,
    total: hold + (brings ? watts : 0),
    devices,
    gives,
  };
}

/**
 * Heat in the coldest hour of the room: through the wall, with the air, into what dries, less what fan and lights give
 * anyhow. What goes straight from a heater into the wall counts too, by the network at rest.
 */
export function worstHeat(chamber: Chamber, stage: Chamber["stages"][number], id?: string): Demand {
  const { room, thermal, vessels } = chamber;
  const difference = Math.max(0, stage.target - room.low);
  const air = thermal.airToRoom * difference;
  const wall = lossCoefficient(chamber) * difference - air;
  const dries = vessels.reduce((all, v) => all + v.count * v.evaporation, 0);
  const known = wall + air + dries - thermal.fanHeat;
  const needed = heatNeeded(chamber, stage.target, stage, id);
  const heaters = heatersOf(chamber);
  return drawnUp(
    "heat",
    chamber,
    stage,
    asked([
      { name: "through the wall", watts: wall },
      { name: "with the air that leaks", watts: air },
      { name: "into what dries", watts: dries },
      { name: "less the fan\u2019s own heat", watts: -Math.min(thermal.fanHeat, wall + air + dries) },
      { name: "straight from heater into wall", watts: needed > 0 ? Math.max(0, needed - known) : 0 },
    ]),
    numbered(heaters, (h) => heaterBodies[h.kind].label).map((d, i) => ({ ...d, watts: heaters[i]!.power })),
  );
}

/**
 * Cold in the hottest hour of the room: through the wall, with the air, of the products at their height, of fan and
 * lights. What is put in too warm is on the way there at a mean between both: the coolers give more then.
 */
export function worstCold(chamber: Chamber, stage: Chamber["stages"][number]): Demand {
  const { room, thermal, vessels, lights, fans } = chamber;
  // In a room that is colder than what is held the wall helps.
  const difference = room.high - stage.target;
  const air = thermal.airToRoom * difference;
  const coolers = coolersOf(chamber);
  const warm = Math.max(stage.target, ...vessels.map((v) => v.startTemperature));
  const midway = celsius((stage.target + warm) / 2);
  const alone = (id: string) => ({ ...chamber, coolers: chamber.coolers.filter((c) => c.id === id) });
  return drawnUp(
    "cold",
    chamber,
    stage,
    asked([
      {
        name: difference < 0 ? "less what goes out through wall and leaks" : "through the wall",
        watts: lossCoefficient(chamber) * difference - (difference < 0 ? 0 : air),
      },
      { name: "with the air that leaks", watts: Math.max(0, air) },
      { name: "the product\u2019s own heat at its height", watts: peakHeatOfAll(vessels, stage.target) },
      { name: "the fan in the box", watts: thermal.fanHeat },
      { name: "fans and lights on outlets", watts: sum([...fans, ...lights].map((d) => ({ watts: d.power }))) },
    ]),
    numbered(coolers, (c) => coolerLabels[c.kind]).map((d) => ({
      ...d,
      watts: coldAvailable(alone(d.id), midway, room.high),
    })),
  );
}
