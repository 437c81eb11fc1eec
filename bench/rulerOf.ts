import type { Edit } from "@/core/model";
import { celsius, kelvins, type Scale } from "@/core/quantity";
import { resolutionOf } from "@/core/controller";
import type { Plan } from "@/core/trial";
import type { RulerData, RulerMark } from "@/parts/ruler";

type Apply = (edits: Edit[], label: string, merge?: string) => string | null;

/** The chamber's temperatures as the band ruler shows them, each with the edit that moving it makes. */
export function rulerOf(plan: Plan, scale: Scale, apply: Apply): RulerData {
  const { chamber, settings, ask } = plan;
  const { room, unit } = chamber;
  const { product } = chamber.vessels[0]!;
  const stage = (field: "low" | "high" | "target", label: string) => (value: number, merge: string) =>
    apply([{ section: "stage", field, value: celsius(value) }], label, merge);
  const setting = (field: "setpoint" | "lowAlarm" | "highAlarm", label: string) => (value: number, merge: string) =>
    apply([{ section: "settings", field, value: celsius(value) }], label, merge);
  const heatOn = celsius(settings.setpoint - settings.heatingDifferential);
  const coolOn = celsius(settings.setpoint + settings.coolingDifferential);
  const tooNear = "It has to stay on its side of the setpoint. Move the setpoint first.";

  const marks: RulerMark[] = [
    {
      id: "highAlarm",
      label: "High alarm",
      value: settings.highAlarm,
      glaze: "ink",
      shape: "alarm",
      meaning: "The alarm sounds at this reading and above",
      onMove: setting("highAlarm", "high alarm"),
    },
    {
      id: "high",
      label: "Warmest allowed",
      value: ask.high,
      glaze: "honey",
      shape: "limit",
      meaning: "Warmest that the product may be",
      onMove: stage("high", "warmest allowed"),
    },
    {
      id: "target",
      label: "Target",
      value: ask.target,
      glaze: "honey",
      shape: "point",
      meaning: "Target for the product",
      onMove: stage("target", "target"),
    },
    {
      id: "setpoint",
      label: "Setpoint",
      value: settings.setpoint,
      glaze: "ink",
      shape: "point",
      meaning: "Setpoint: heat and cold both go off here",
      onMove: setting("setpoint", "setpoint"),
    },
    {
      id: "low",
      label: "Coldest allowed",
      value: ask.low,
      glaze: "honey",
      shape: "limit",
      meaning: "Coldest that the product may be",
      onMove: stage("low", "coldest allowed"),
    },
    {
      id: "lowAlarm",
      label: "Low alarm",
      value: settings.lowAlarm,
      glaze: "ink",
      shape: "alarm",
      meaning: "The alarm sounds at this reading and below",
      onMove: setting("lowAlarm", "low alarm"),
    },
  ];
  if (chamber.cooler.power > 0)
    marks.push({
      id: "coolOn",
      label: "Cold comes on",
      value: coolOn,
      glaze: "cold",
      shape: "switch",
      meaning: "The fridge comes on at this reading and above",
      onMove: (value, merge) =>
        value <= settings.setpoint
          ? tooNear
          : apply(
              [{ section: "settings", field: "coolingDifferential", value: kelvins(value - settings.setpoint) }],
              "cooling differential",
              merge,
            ),
    });
  if (chamber.heater.power > 0)
    marks.push({
      id: "heatOn",
      label: "Heat comes on",
      value: heatOn,
      glaze: "heat",
      shape: "switch",
      meaning: "The heater comes on at this reading and below",
      onMove: (value, merge) =>
        value >= settings.setpoint
          ? tooNear
          : apply(
              [{ section: "settings", field: "heatingDifferential", value: kelvins(settings.setpoint - value) }],
              "heating differential",
              merge,
            ),
    });
  const off = settings.offset + chamber.probes[0]!.error;
  if (Math.abs(off) > 1e-6)
    marks.push({
      id: "true",
      label: "True at setpoint",
      value: settings.setpoint - off,
      glaze: "slate",
      shape: "point",
      meaning: "What the probe\u2019s place really has when the display shows the setpoint",
    });

  const low = Math.min(room.low, ask.low, product.packetLow, settings.lowAlarm);
  const high = Math.max(room.high, ask.high, product.packetHigh, settings.highAlarm);
  return {
    marks,
    zones: [
      { id: "room", kind: "room", from: room.low, to: room.high, label: "Room" },
      { id: "packet", kind: "packet", from: product.packetLow, to: product.packetHigh, label: "Packet" },
      { id: "band", kind: "band", from: ask.low, to: ask.high, label: "Allowed" },
      ...(chamber.heater.power > 0
        ? [{ id: "heat", kind: "heat" as const, from: -100, to: heatOn, label: "Heat on" }]
        : []),
      ...(chamber.cooler.power > 0
        ? [{ id: "cold", kind: "cold" as const, from: coolOn, to: 200, label: "Cold on" }]
        : []),
    ],
    overview: [Math.min(-2, Math.floor(low - 2)), Math.max(40, Math.ceil(high + 2))],
    scale,
    step: scale === unit.scale ? resolutionOf(unit) : scale === "C" ? 0.1 : 0.1 / 1.8,
    resolution: scale === unit.scale ? unit.resolution : 0.1,
  };
}
