import { celsius, printTemperature, type Scale } from "@/core/quantity";
import type { Trial } from "@/core/trial";

/** A trial in one sentence, for those who do not see the chart. */
export const sayTrial = (trial: Trial, scale: Scale): string => {
  const { arrived, settled } = trial.metrics;
  const range = settled?.product ?? arrived?.product;
  return range
    ? `${trial.days} days: product from ${printTemperature(celsius(range.low), scale)} to ${printTemperature(celsius(range.high), scale)}`
    : `${trial.days} days: the product does not reach its band`;
};
