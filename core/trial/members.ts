import { LOSS_SPAN, SPAN, withShares } from "../chamber";
import type { Chamber } from "../model";
import { modelOf } from "../product";
import { celsius, chance } from "../quantity";
import { NINE_OF_TEN, normalAt, slower } from "./paces";
import type { Plan } from "./planWith";

/**
 * One chamber of an ensemble: what is not known of product, box, devices and room, all of it drawn together. Every number
 * is in deviations of a normal spread, of which the middle nine of ten lie within what the estimates say.
 */
export interface Member {
  /** Of each vessel: how much slower its product goes, and what else is not known of it, by name. */
  vessels: { slower: number; unknowns: Readonly<Record<string, number>> }[];
  films: number;
  radiated: number;
  stored: number;
  given: number;
  loss: number;
  power: number;
  room: number;
}

/** How many are drawn for what is shown as a range: with the usual one they are forty, of which 36 are nine of ten. */
const DRAWN = 39;
/** Few that stand for all where each is tried again and again; the ends of eight lie within nine of ten: stretched to them. */
const FEW = 8;
const STRETCHED = 1.15;
/** A heater's label is good to a tenth; a room that nobody has recorded to so many kelvins (estimates). */
const POWER_SPAN = [0.9, 1.1] as const;
const ROOM_WITHIN = 4;
/** Orders of the draws that are looked at, for one in which no two go together. */
const ORDERS = 60;
const SEED = 20261201;

/** Evenly spread deviations, one from each of as many equal shares. */
const strata = (count: number, stretched = 1): number[] =>
  Array.from({ length: count }, (_, k) => stretched * normalAt((k + 0.5) / count));

/**
 * A table of deviations, a row for each member and a column for each unknown: every column has the same values, in an
 * order in which no two columns go together (Latin hypercube, McKay and others 1979).
 */
export function design(columns: number, values: readonly number[]): number[][] {
  const random = chance(SEED);
  const shuffled = (): number[] => {
    const list = [...values];
    for (let i = list.length - 1; i > 0; i--) {
      const k = Math.floor(random() * (i + 1));
      [list[i], list[k]] = [list[k]!, list[i]!];
    }
    return list;
  };
  const square = values.reduce((sum, z) => sum + z * z, 0);
  const alike = (a: readonly number[], b: readonly number[]) =>
    Math.abs(a.reduce((sum, z, i) => sum + z * b[i]!, 0)) / square;
  const table: number[][] = [[...values]];
  while (table.length < columns) {
    let best = shuffled();
    const worst = (of: readonly number[]) => Math.max(...table.slice(0, 4).map((t) => alike(t, of)));
    for (let k = 0; k < ORDERS; k++) {
      const other = shuffled();
      if (worst(other) < worst(best)) best = other;
    }
    table.push(best);
  }
  return values.map((_, k) => table.slice(0, columns).map((column) => column[k]!));
}

type Of = Pick<Chamber, "vessels">;

/** The members of a chamber's ensemble. */
export const membersOf = (chamber: Of): Member[] => membersWith(chamber, strata(DRAWN));

/** A few members whose ends stand for the ends of nine of ten. */
export const fewMembers = (chamber: Of): Member[] => membersWith(chamber, strata(FEW, STRETCHED));

function membersWith({ vessels }: Of, values: readonly number[]): Member[] {
  const unknown = vessels.map(({ product }) => modelOf(product).unknowns ?? []);
  const shared = 7;
  const columns = vessels.length + unknown.reduce((sum, list) => sum + list.length, 0) + shared;
  return design(columns, values).map((row) => {
    let next = 0;
    const draw = () => row[next++]!;
    const slow = vessels.map(draw);
    const [room, loss, power, films, radiated, stored, given] = Array.from({ length: shared }, draw) as [
      number,
      number,
      number,
      number,
      number,
      number,
      number,
    ];
    const of = unknown.map((list) => Object.fromEntries(list.map(({ name }) => [name, draw()])));
    return {
      vessels: slow.map((z, v) => ({ slower: z, unknowns: of[v]! })),
      room,
      loss,
      power,
      films,
      radiated,
      stored,
      given,
    };
  });
}

/** A factor within its span, by deviations: 1 as is usual, an end of it where nine of ten lie within. */
export const factorAt = ([low, high]: readonly [number, number], deviations: number): number =>
  (deviations > 0 ? high : low) ** (Math.abs(deviations) / NINE_OF_TEN);

/** The chamber of a member: nobody's typed values move, nor a recorded room. */
export function memberChamber(chamber: Chamber, member: Member): Chamber {
  const shared = withShares(chamber, {
    films: factorAt(SPAN.films, member.films),
    radiated: factorAt(SPAN.radiated, member.radiated),
    stored: factorAt(SPAN.stored, member.stored),
    given: factorAt(SPAN.given, member.given),
    loss: factorAt(LOSS_SPAN, member.loss),
  });
  const by = chamber.recorded ? 0 : (ROOM_WITHIN * member.room) / NINE_OF_TEN;
  return {
    ...shared,
    room: { ...chamber.room, low: celsius(chamber.room.low + by), high: celsius(chamber.room.high + by) },
    heaters: shared.heaters.map((h) => ({ ...h, power: h.power * factorAt(POWER_SPAN, member.power) })),
    vessels: shared.vessels.map((v, i) => ({ ...v, product: slower(v.product, member.vessels[i]?.slower ?? 0) })),
  };
}

/** What else is not known of each vessel's product, as factors. */
export const memberUnknowns = ({ vessels }: Chamber, member: Member): Record<string, number>[] =>
  vessels.map(({ product }, v) =>
    Object.fromEntries(
      (modelOf(product).unknowns ?? []).map(({ name, low, high }) => [
        name,
        factorAt([low, high], member.vessels[v]?.unknowns[name] ?? 0),
      ]),
    ),
  );

/** A plan on the chamber of a member, with what is keyed in as it is. */
export const memberPlan = (plan: Plan, member: Member): Plan => ({
  ...plan,
  chamber: memberChamber(plan.chamber, member),
});
