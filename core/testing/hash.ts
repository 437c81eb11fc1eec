import { channels, type Trial } from "../trial";

/** FNV-1a over the bits of all that a trial shows: switchings, every line of its trace, its energy and its alarms. */
export function hashOf({ heat, cold, trace, stages }: Trial): string {
  const metrics = stages[0]!.metrics[0]!;
  let hash = 0x811c9dc5;
  const take = (values: ArrayLike<number>) => {
    for (const byte of new Uint8Array(Float64Array.from(values).buffer))
      hash = Math.imul(hash ^ byte, 0x01000193) >>> 0;
  };
  take(heat);
  take(cold);
  for (const channel of channels) {
    take(trace.low[channel]);
    take(trace.high[channel]);
  }
  take(trace.heat);
  take(trace.cold);
  take(trace.alarm);
  const { energy: e, alarm } = metrics;
  take([e.heater, e.product, e.evaporated, e.fan, e.defrost, e.brought, e.cold, e.lost, e.stored, e.cooler, e.melted]);
  take([metrics.inBand, metrics.timeToBand ?? -1, alarm.low, alarm.high, alarm.lowSettled, alarm.highSettled]);
  take([metrics.fuelBurned]);
  return hash.toString(16).padStart(8, "0");
}
