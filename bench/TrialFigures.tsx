import {
  celsius,
  kelvins,
  measures,
  printDifference,
  printDuration,
  printMeasure,
  printTemperature,
  type Scale,
} from "@/core/quantity";
import type { Trial } from "@/core/trial";

const NONE = "\u2013";
const percent = (share: number) => `${Math.round(share * 100)}\u00a0%`;
const span = (seconds: number | null) => (seconds === null ? NONE : printDuration(seconds));

/** What the trial amounts to, in figures. */
export function TrialFigures({ trial, scale }: { trial: Trial; scale: Scale }) {
  const { metrics, days } = trial;
  const perDay = (joules: number) => `${(joules / 3.6e6 / days).toFixed(2)}\u00a0kWh`;
  const at = (t: number) => printTemperature(celsius(t), scale, 0.01);
  const by = (d: number) => printDifference(kelvins(d), scale, 0.01);
  const ownHeat = metrics.energy.product / (days * 86_400);
  const rows: [string, string][] = [
    ["From start to the band", metrics.timeToBand === null ? "never" : span(metrics.timeToBand)],
    ["In the band since then", metrics.timeToBand === null ? NONE : percent(metrics.inBand)],
    ["Heater on", percent(metrics.heatDuty)],
    ["Compressor on", percent(metrics.coldDuty)],
    ["Compressor starts a day", metrics.compressorStartsPerDay.toFixed(1)],
    ["Shortest rest of the compressor", span(metrics.shortestRest)],
    ["Longest run of the compressor", span(metrics.longestRun)],
    ["Heat and cold answering each other, a day", metrics.reversals.perDay.toFixed(1)],
    [
      "Alarm sounding, in all",
      metrics.alarm.low + metrics.alarm.high > 0 ? span(metrics.alarm.low + metrics.alarm.high) : "never",
    ],
    ["Product at its coldest and warmest", `${at(metrics.whole.product.low)} / ${at(metrics.whole.product.high)}`],
    ["Probe runs on after the heater", by(metrics.runOn.heat)],
    ["Probe runs on after the compressor", by(metrics.runOn.cold)],
    ["Electricity of the heater a day", perDay(metrics.energy.heater)],
    ["Electricity of the compressor a day (estimate)", perDay(metrics.energy.cooler)],
    ["The product\u2019s own heat on average", printMeasure(Math.round(ownHeat * 10) / 10, measures.power, "metric")],
  ];
  return (
    <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-4">
      {rows.map(([name, value]) => (
        <div key={name} className="rule-line col-span-2 grid grid-cols-subgrid border-b py-1">
          <dt>{name}</dt>
          <dd className="text-right font-semibold">{value}</dd>
        </div>
      ))}
    </dl>
  );
}
