import type { Network } from "../chamber";
import type { Chamber } from "../model";

/** A further line that can be laid over the trace. */
export interface TraceLayer {
  kind: "lining" | "heater" | "cold" | "vessel" | "shell" | "watch" | "load";
  /** Which vessel, probe or load. */
  index: number;
  low: Float32Array;
  high: Float32Array;
}

/** The nodes behind the further lines of a network. */
export function layerNodes(
  network: Network,
  chamber: Chamber,
  product: number,
  probe: number,
): (Pick<TraceLayer, "kind" | "index"> & { node: number })[] {
  const { nodes } = network;
  return [
    ...network.shells.flatMap((parts, index) => [
      ...(parts[0]!.node === product ? [] : [{ kind: "vessel" as const, index, node: parts[0]!.node }]),
      ...(parts.length > 1 ? [{ kind: "shell" as const, index, node: parts.at(-1)!.node }] : []),
    ]),
    ...network.probes.flatMap((node, index) => (node === probe ? [] : [{ kind: "watch" as const, index, node }])),
    ...network.heaters.flatMap(({ node }, index) =>
      node >= 0 && nodes[node]!.kind === "heater" ? [{ kind: "heater" as const, index, node }] : [],
    ),
    ...network.coolers.flatMap(({ node }, index) => (node >= 0 ? [{ kind: "cold" as const, index, node }] : [])),
    { kind: "lining" as const, index: 0, node: network.lining },
    ...network.loads.map((node, index) => ({ kind: "load" as const, index, node })),
  ];
}

/** What a further line is called, for people. */
export function layerLabel(
  { kind, index }: Pick<TraceLayer, "kind" | "index">,
  { heaters, coolers, cabinet, stages, probes, controllers, vessels }: Chamber,
): string {
  const numbered = (name: string, list: readonly unknown[]) => (list.length > 1 ? `${name} ${index + 1}` : name);
  switch (kind) {
    case "lining":
      return cabinet.kind === "crock" ? "crock" : cabinet.kind === "kettle" ? "steel" : "inner wall";
    case "heater":
      return numbered(heaters[index]!.kind === "charcoal" ? "fire bed" : "heater body", heaters);
    case "cold": {
      const { kind: cold } = coolers[index]!;
      return numbered(cold === "ice" ? "ice" : cold === "peltier" ? "plate" : "evaporator", coolers);
    }
    case "vessel":
      return stages.some((s) => s.of === "air") ? `food ${index + 1}` : `vessel ${index + 1}`;
    case "shell":
      return vessels.length === 1 ? "product\u2019s skin" : `skin of vessel ${index + 1}`;
    case "watch":
      return controllers.some((c) => c.probes[0] === probes[index]!.id && (c.heat.length > 0 || c.cold.length > 0))
        ? `probe ${index + 1}`
        : `probe ${index + 1}, watching`;
    case "load":
      return `load ${index + 1}`;
  }
}
