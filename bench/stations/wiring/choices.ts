import { plugTable } from "@/core/chamber";
import { plugKinds, type Wiring } from "@/core/model";
import { layingTable } from "@/core/wiring";

export type Choices<F extends keyof Wiring> = { value: Wiring[F]; label: string }[];

export const residualKinds: Choices<"residual"> = [
  { value: "unknown", label: "I do not know yet" },
  { value: "r30", label: "Yes, 30 mA (RCD)" },
  { value: "r5", label: "Yes, 5 mA (GFCI)" },
  { value: "none", label: "None" },
];
export const residualPlaces: Choices<"residualAt"> = [
  { value: "wall", label: "At the wall or in the plug" },
  { value: "box", label: "Inside the enclosure" },
];
export const cutOuts: Choices<"cutOut"> = [
  { value: "unknown", label: "I do not know yet" },
  { value: "yes", label: "Yes, in series with the heater" },
  { value: "no", label: "None" },
];
export const switches: Choices<"mainSwitch"> = [
  { value: "both", label: "Opens both conductors" },
  { value: "one", label: "Opens one" },
  { value: "none", label: "None: the plug is pulled" },
];
export const outletKinds: Choices<"outlets"> = [
  { value: "two", label: "Single ones" },
  { value: "twin", label: "A twin socket, its link broken" },
];
export const relays: Choices<"relay"> = [
  { value: "mechanical", label: "Mechanical" },
  { value: "solid", label: "Solid-state" },
  { value: "contactor", label: "Contactor, two poles" },
];
export const relayPlaces: Choices<"relaysIn"> = [
  { value: "unit", label: "In the unit" },
  { value: "outside", label: "Outside, driven by it" },
];
export const layings: Choices<"laid"> = [
  { value: "cord", label: "By cord and plug" },
  ...(["A1", "B1", "C"] as const).map((value) => ({ value, label: `Fixed, ${layingTable[value]}` })),
];
export const symbols: Choices<"symbols"> = [
  { value: "region", label: "As is usual where you are" },
  { value: "iec", label: "IEC 60617" },
  { value: "ansi", label: "ANSI Y32" },
];
export const plugs: Choices<"plug"> = plugKinds.map((value) => ({ value, label: plugTable[value].label }));
export const wetPlaces: Choices<"place"> = [
  { value: "dry", label: "Dry" },
  { value: "damp", label: "Damp: cellar, garage" },
  { value: "splash", label: "Splashed or hosed" },
];
export const colourings: Choices<"colours"> = [
  { value: "now", label: "New cable, colours of today" },
  { value: "before", label: "An old cable is there" },
];
