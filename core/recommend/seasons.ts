import type { Chamber } from "../model";
import { peakOwnHeat } from "../product";
import { celsius, kelvins, type Temperature } from "../quantity";

export type SeasonName = "coldest" | "mild" | "hottest";

/** The chamber in one of the worst weathers that its room has, its product at its target and held there. */
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

/** @param ownHeat of one vessel, W */
function under(chamber: Chamber, name: SeasonName, room: Temperature, ownHeat: number): Season {
  const { target } = chamber.stages[0]!;
  const heatCurve =
    ownHeat > 0
      ? [
          { hours: 0, watts: ownHeat },
          { hours: EVER, watts: ownHeat },
        ]
      : [];
  return {
    name,
    room,
    ownHeat: chamber.vessels[0]!.count * ownHeat,
    chamber: {
      ...chamber,
      room: { ...chamber.room, low: room, high: room, monthly: kelvins(0) },
      roomSeries: null,
      happenings: [],
      // Settings can be judged only while there is a fire to switch, and ice to melt.
      heater: { ...chamber.heater, fuel: FED },
      cooler: { ...chamber.cooler, iceEvery: chamber.cooler.iceEvery || ICE_EVERY },
      vessels: chamber.vessels.map((v, i) => ({
        ...v,
        startTemperature: target,
        product: { ...v.product, kind: "hold", heatCurve: i === 0 ? heatCurve : [] },
      })),
    },
  };
}

/**
 * The worst weather of a chamber's room: coldest without own heat; mild, as near to the target as the room comes, with
 * the height of the product's own heat; hottest with it. The design's reference: winter, spring + 7 W, summer + 7 W.
 */
export function seasonsOf(chamber: Chamber): Season[] {
  const { room, stages, vessels } = chamber;
  const { target } = stages[0]!;
  const { product, volume } = vessels[0]!;
  const own = peakOwnHeat(product, volume, target);
  const mild = celsius(Math.min(room.high, Math.max(room.low, target)));
  return [
    under(chamber, "coldest", room.low, 0),
    under(chamber, "mild", mild, own),
    under(chamber, "hottest", room.high, own),
  ];
}
