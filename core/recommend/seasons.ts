import type { Chamber, Named, Stage } from "../model";
import { lotOf, peakOwnHeat } from "../product";
import { celsius, kelvins, type Temperature } from "../quantity";

export type SeasonName = "coldest" | "mild" | "hottest";

/** The chamber in one of the worst weathers that its room has, in one stage, every product at its target and held there. */
export interface Season {
  name: SeasonName;
  room: Temperature;
  /** Own heat of all that stands in it, W. */
  ownHeat: number;
  chamber: Chamber;
}

/** Hours that a heat curve stands for ever. */
const EVER = 2400;
/** A charge that outlasts every season, kg, and how often ice is changed where nobody has said, s. */
const FED = 1e6;
const ICE_EVERY = 86_400;

function under(chamber: Chamber, stage: Named<Stage>, name: SeasonName, room: Temperature, heated: boolean): Season {
  const targetOf = (v: Chamber["vessels"][number]) => v.band?.target ?? stage.target;
  const ownOf = (v: Chamber["vessels"][number]) => (heated ? peakOwnHeat(v.product, lotOf(v), targetOf(v)) : 0);
  const curve = (watts: number) =>
    watts > 0
      ? [
          { hours: 0, watts },
          { hours: EVER, watts },
        ]
      : [];
  return {
    name,
    room,
    ownHeat: chamber.vessels.reduce((sum, v) => sum + v.count * ownOf(v), 0),
    chamber: {
      ...chamber,
      room: { ...chamber.room, low: room, high: room, monthly: kelvins(0) },
      recorded: null,
      // What dries is left out, and what else condenses gives a watt or two: a search runs a thousand trials.
      moisture: { ...chamber.moisture, reckoned: false },
      happenings: [],
      // One stage that does not end.
      stages: [{ ...stage, ends: [], latest: 0, rampBy: kelvins(0) }],
      // Settings can be judged only while there is a fire to switch, and ice to melt.
      heaters: chamber.heaters.map((h) => ({ ...h, fuel: FED })),
      coolers: chamber.coolers.map((c) => ({ ...c, iceEvery: c.iceEvery || ICE_EVERY })),
      vessels: chamber.vessels.map((v) => ({
        ...v,
        startTemperature: targetOf(v),
        putIn: 0,
        product: { ...v.product, kind: "hold", heatCurve: curve(ownOf(v)) },
      })),
    },
  };
}

/**
 * The worst weather of a chamber's room in a stage: coldest without own heat; mild, as near to the target as the room
 * comes, with the height of every product's own heat; hottest with it. The design's reference: winter, spring + 7 W,
 * summer + 7 W.
 */
export function seasonsOf(chamber: Chamber, stage: Named<Stage> = chamber.stages[0]!): Season[] {
  const { room } = chamber;
  const mild = celsius(Math.min(room.high, Math.max(room.low, stage.target)));
  return [
    under(chamber, stage, "coldest", room.low, false),
    under(chamber, stage, "mild", mild, true),
    under(chamber, stage, "hottest", room.high, true),
  ];
}
