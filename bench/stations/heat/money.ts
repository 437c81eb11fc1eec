import type { PreferencesRecord } from "@/core/model";
import { printNumber } from "@/core/quantity";

/** Prints an amount in the user's own money; without its sign where none is said. */
export const moneyOf =
  ({ currency }: Pick<PreferencesRecord, "currency">) =>
  (amount: number): string =>
    `${printNumber(amount, 0.01)}${currency ? `\u00a0${currency}` : ""}`;
