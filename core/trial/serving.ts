import type { Judged } from "../chamber";
import type { Chamber, Controller } from "../model";

/** Which controller holds what a band is for: one that reads its vessel, else the first that switches anything. */
export function servingController({ controllers, probes }: Chamber, judged: Pick<Judged, "id">): number {
  const switches = (c: Controller) => c.heat.length + c.cold.length > 0;
  const reads = (c: Controller) => probes.find((p) => p.id === c.probes[0])?.in === judged.id;
  const own = controllers.findIndex((c) => switches(c) && reads(c));
  return Math.max(0, own >= 0 ? own : controllers.findIndex(switches));
}
