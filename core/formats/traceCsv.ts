import Papa from "papaparse";
import { FORMULA } from "./csv";
import type { Chamber } from "../model";
import { productObservable } from "../product";
import { celsius, inScale, type Scale } from "../quantity";
import { channels, layerLabel, type Trace } from "../trial";

/**
 * A trace as a table: a row a bin, hours from the start, lowest and highest of every line in the scale, shares of
 * time in per cent, humidity of the air where it is worked out, what is seen of each product at the end of the bin.
 */
export function traceCsv(trace: Trace, chamber: Chamber, scale: Scale): string {
  const sign = scale === "C" ? "C" : "F";
  const lines = [
    ...channels.map((c) => ({ name: c as string, low: trace.low[c], high: trace.high[c] })),
    ...trace.layers.map((l) => ({ name: layerLabel(l, chamber), low: l.low, high: l.high })),
  ];
  const figures = trace.figures.flatMap(({ index, name, values }) => {
    const vessel = chamber.vessels[index];
    const figure = vessel && productObservable(vessel.product, name);
    return figure ? [{ label: `${figure.label}, vessel ${index + 1}`, unit: figure.unit, values }] : [];
  });
  const { humidity } = trace;
  const air = humidity
    ? [
        { label: "usual", values: humidity.usual },
        { label: "lowest", values: humidity.low },
        { label: "highest", values: humidity.high },
      ]
    : [];
  const printed = (value: number, unit: string) =>
    !Number.isFinite(value) ? "" : unit === "temperature" ? degrees(value) : String(Number(value.toPrecision(5)));
  const degrees = (t: number) => (Number.isFinite(t) ? inScale(celsius(t), scale).toFixed(2) : "");
  const rows = Array.from({ length: trace.bins }, (_, i) => [
    ((trace.from + i * trace.width) / 3600).toFixed(4),
    ...lines.flatMap((l) => [degrees(l.low[i]!), degrees(l.high[i]!)]),
    (trace.heat[i]! * 100).toFixed(1),
    (trace.cold[i]! * 100).toFixed(1),
    (trace.alarm[i]! * 100).toFixed(1),
    ...air.map(({ values }) => (values[i]! * 100).toFixed(1)),
    ...figures.map(({ values, unit }) => printed(values[i]!, unit)),
  ]);
  const fields = [
    "hours from start",
    ...lines.flatMap((l) => [`${l.name} lowest (${sign})`, `${l.name} highest (${sign})`]),
    "heat on (%)",
    "cold on (%)",
    "alarm (%)",
    ...air.map(({ label }) => `relative humidity ${label} (%)`),
    ...figures.map(({ label, unit }) => `${label}${unit ? ` (${unit === "temperature" ? sign : unit})` : ""}`),
  ];
  return Papa.unparse({ fields, data: rows }, { escapeFormulae: FORMULA });
}
