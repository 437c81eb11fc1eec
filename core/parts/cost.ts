import type { Part } from "../model";
import type { NeededPart } from "./part";

/** A line of the list: what is needed or one's own, with its price and whether it is there already. */
export interface PartLine extends NeededPart {
  /** Its entry in the record; null: nothing was typed of it yet. */
  id: string | null;
  price: number;
  owned: boolean;
  own: boolean;
}

/** What is needed with what was typed of it, and one's own parts behind it. */
export function partLines(needed: readonly NeededPart[], typed: readonly Part[]): PartLine[] {
  const of = (key: string) => typed.find((p) => p.key === key);
  return [
    ...needed.map((n): PartLine => {
      const known = of(n.key);
      return { ...n, id: known?.id ?? null, price: known?.price ?? 0, owned: known?.owned ?? false, own: false };
    }),
    ...typed
      .filter((p) => p.key === "")
      .map((p): PartLine => ({
        key: "",
        name: p.name,
        quantity: p.quantity,
        unit: "",
        eachBatch: false,
        id: p.id,
        price: p.price,
        owned: p.owned,
        own: true,
      })),
  ];
}

/** What it all comes to, in the user's own money; what has no price counts nothing, and is said. */
export interface Cost {
  /** Still to be bought, once. */
  once: number;
  /** Used up with each batch, without electricity. */
  batch: number;
  /** Lines that have to be bought and have no price. */
  unpriced: number;
}

export function costOf(lines: readonly PartLine[]): Cost {
  const bought = lines.filter((l) => !l.owned && l.quantity > 0);
  const sum = (of: readonly PartLine[]) => of.reduce((all, l) => all + l.price * l.quantity, 0);
  return {
    once: sum(bought.filter((l) => !l.eachBatch)),
    batch: sum(bought.filter((l) => l.eachBatch)),
    unpriced: bought.filter((l) => l.price === 0).length,
  };
}

/** Electricity of a trial, by its length, in kWh, money and kg of CO2. */
export interface Electricity {
  perDay: number;
  perYear: number;
  costPerDay: number;
  costPerYear: number;
  carbonPerYear: number;
}

/**
 * @param joules that all devices drew from the mains over the trial
 * @param tariff for a kWh, in the user's own money
 * @param carbon kg of CO2 a kWh
 */
export function electricityOf(joules: number, days: number, tariff: number, carbon: number): Electricity {
  const perDay = joules / 3.6e6 / days;
  const perYear = perDay * 365;
  return {
    perDay,
    perYear,
    costPerDay: perDay * tariff,
    costPerYear: perYear * tariff,
    carbonPerYear: perYear * carbon,
  };
}
