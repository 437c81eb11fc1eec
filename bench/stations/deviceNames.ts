import { coolerLabels, heaterBodies } from "@/core/chamber";
import type { Chamber } from "@/core/model";

export interface NamedDevice {
  id: string;
  kind: "heater" | "cooler" | "fan" | "light";
  name: string;
}

/** Every device that is there, in words, with its number where there are several of its kind. */
export function deviceNames({ heaters, coolers, fans, lights }: Chamber): NamedDevice[] {
  const named = <T extends { id: string }>(
    kind: NamedDevice["kind"],
    list: readonly T[],
    label: (entry: T) => string,
  ): NamedDevice[] =>
    list.map((entry, i) => ({
      id: entry.id,
      kind,
      name: list.length > 1 ? `${label(entry)}, ${i + 1}` : label(entry),
    }));
  return [
    ...named("heater", heaters, (h) => heaterBodies[h.kind].label).filter((_, i) => heaters[i]!.kind !== "none"),
    ...named("cooler", coolers, (c) => coolerLabels[c.kind]).filter(
      (_, i) => coolers[i]!.kind === "compressor" || coolers[i]!.kind === "peltier",
    ),
    ...named("fan", fans, () => "Fan"),
    ...named("light", lights, () => "Light"),
  ];
}
