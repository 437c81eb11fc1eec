import type { Edit, Problem } from "@/core/model";
import { modelOf } from "@/core/product";
import { celsius, kelvins, type Scale } from "@/core/quantity";
import {
  alarmsOf,
  fitToUnit,
  outletsOf,
  parametersOf,
  pointsOf,
  resolutionOf,
  settingsAt,
  type Points,
} from "@/core/controller";
import type { Plan, StagePlan, UnitPlan } from "@/core/trial";
import type { RulerData, RulerMark } from "@/parts/ruler";

/** The stage and the controller that are looked at. */
interface Shown {
  plan: Plan;
  stagePlan: StagePlan;
  unitPlan: UnitPlan;
}

type Apply = (edits: Edit[], label: string, merge?: string) => Problem | null;

/** The chamber's temperatures as the band ruler shows them, each with the edit that moving it makes. */
export function rulerOf({ plan, stagePlan, unitPlan }: Shown, scale: Scale, apply: Apply): RulerData {
  const { chamber } = plan;
  const { control, controller } = unitPlan;
  const { settings, request, plugged } = control;
  const { room } = chamber;
  const { unit, id } = controller;
  const vessel = chamber.vessels.find((v) => v.id === control.holds) ?? chamber.vessels[0]!;
  const { product } = vessel;
  const keyed = { section: "settings", id, stage: stagePlan.id } as const;
  const ownBand = vessel.band !== null && control.holds === vessel.id;
  const stage = (field: "low" | "high" | "target", label: string) => (value: number, merge: string) =>
    apply(
      [
        ownBand
          ? { section: "band", field, id: vessel.id, value: celsius(value) }
          : { section: "stage", field, id: stagePlan.id, value: celsius(value) },
      ],
      label,
      merge,
    );
  /** Moves one switching point; the parameters of the unit that give it follow. */
  const movePoints = (next: (value: number) => Partial<Points>, label: string) => (value: number, merge: string) => {
    const fitted = fitToUnit(settingsAt({ ...points, ...next(value) }, unit, settings), unit);
    const half = resolutionOf(unit) / 4;
    const edits = parametersOf(unit)
      .filter(
        (name) =>
          Math.abs(fitted[name] - settings[name]) > half ||
          // Off the target it makes room for the differentials: it must not move with this one.
          (name === "setpoint" && Math.abs(settings.setpoint - request.target) > 2 * half),
      )
      .map((field) => ({ ...keyed, field, value: fitted[field] }) as Edit);
    return edits.length ? apply(edits, label, merge) : null;
  };
  const points = pointsOf(settings, unit);
  const { heat, cold } = outletsOf(unit);
  const heats = heat && plugged.heater;
  const cools = cold && plugged.cooler;
  const alarms = alarmsOf(settings, unit);
  const moveAlarm = (side: "low" | "high") => (value: number, merge: string) =>
    unit.alarms === "deviation"
      ? apply(
          [
            {
              ...keyed,
              field: `${side}Deviation`,
              value: kelvins(Math.max(0, side === "low" ? settings.setpoint - value : value - settings.setpoint)),
            },
          ],
          `${side} alarm`,
          merge,
        )
      : apply([{ ...keyed, field: `${side}Alarm`, value: celsius(value) }], `${side} alarm`, merge);
  const tooNear = "It has to stay on its side of where it goes off. Move that first.";
  const off = heat ? points.heatOff : points.coldOff;

  const marks: RulerMark[] = [
    {
      id: "high",
      label: "Warmest allowed",
      value: request.high,
      glaze: "honey",
      shape: "limit",
      meaning: "Warmest that the product may be",
      onMove: stage("high", "warmest allowed"),
    },
    {
      id: "target",
      label: "Target",
      value: request.target,
      glaze: "honey",
      shape: "point",
      meaning: "Target for the product",
      onMove: stage("target", "target"),
    },
    {
      id: "low",
      label: "Coldest allowed",
      value: request.low,
      glaze: "honey",
      shape: "limit",
      meaning: "Coldest that the product may be",
      onMove: stage("low", "coldest allowed"),
    },
  ];
  if (heat || cold)
    marks.push({
      id: "setpoint",
      label: unit.kind === "twoLimits" || unit.kind === "cutIn" ? "Goes off" : "Setpoint",
      value: off,
      glaze: "ink",
      shape: "point",
      meaning:
        heat && cold ? "Setpoint: heat and cold both go off here" : heat ? "Heat goes off here" : "Cold goes off here",
      onMove: movePoints((value) => {
        const by = value - off;
        const moved = (t: number) => celsius(t + by);
        return {
          heatOn: moved(points.heatOn),
          heatOff: moved(points.heatOff),
          coldOn: moved(points.coldOn),
          coldOff: moved(points.coldOff),
        };
      }, "setpoint"),
    });
  if (alarms.high !== null)
    marks.push({
      id: "highAlarm",
      label: "High alarm",
      value: alarms.high,
      glaze: "ink",
      shape: "alarm",
      meaning: "The alarm sounds at this reading and above",
      onMove: moveAlarm("high"),
    });
  if (alarms.low !== null)
    marks.push({
      id: "lowAlarm",
      label: "Low alarm",
      value: alarms.low,
      glaze: "ink",
      shape: "alarm",
      meaning: "The alarm sounds at this reading and below",
      onMove: moveAlarm("low"),
    });
  const shared = unit.kind === "oneDifferential";
  const coldOn = movePoints(
    (value) => ({
      coldOn: celsius(value),
      ...(shared ? { heatOn: celsius(points.heatOff - (value - points.coldOff)) } : {}),
    }),
    "cooling differential",
  );
  const heatOn = movePoints((value) => ({ heatOn: celsius(value) }), "heating differential");
  if (cools)
    marks.push({
      id: "coldOn",
      label: "Cold comes on",
      value: points.coldOn,
      glaze: "cold",
      shape: "switch",
      meaning: "Cold comes on at this reading and above",
      onMove: (value, merge) => (value <= points.coldOff ? tooNear : coldOn(value, merge)),
    });
  if (heats)
    marks.push({
      id: "heatOn",
      label: "Heat comes on",
      value: points.heatOn,
      glaze: "heat",
      shape: "switch",
      meaning: "The heater comes on at this reading and below",
      onMove: (value, merge) => (value >= points.heatOff ? tooNear : heatOn(value, merge)),
    });
  const { error } = chamber.probes.find((p) => p.id === controller.probes[0])!;
  const wrong = settings.offset + error;
  if (Math.abs(wrong) > 1e-6 && (heat || cold))
    marks.push({
      id: "true",
      label: unit.kind === "twoLimits" ? "True where it goes off" : "True at setpoint",
      value: off - wrong,
      glaze: "slate",
      shape: "point",
      meaning: "What the probe\u2019s place really has when the display shows where it goes off",
    });

  const range = modelOf(product).range(product);
  const packet = range ? [range.low, range.high] : [];
  const low = Math.min(room.low, request.low, ...packet, alarms.low ?? Infinity);
  const high = Math.max(room.high, request.high, ...packet, alarms.high ?? -Infinity);
  return {
    marks,
    zones: [
      { id: "room", kind: "room", from: room.low, to: room.high, label: "Room" },
      ...(range ? [{ id: "packet", kind: "packet" as const, from: range.low, to: range.high, label: "Packet" }] : []),
      { id: "band", kind: "band", from: request.low, to: request.high, label: "Allowed" },
      ...(heats ? [{ id: "heat", kind: "heat" as const, from: -100, to: points.heatOn, label: "Heat on" }] : []),
      ...(cools ? [{ id: "cold", kind: "cold" as const, from: points.coldOn, to: 300, label: "Cold on" }] : []),
    ],
    overview: [Math.min(-2, Math.floor(low - 2)), Math.max(40, Math.ceil(high + 2))],
    scale,
    step: scale === unit.scale ? resolutionOf(unit) : scale === "C" ? 0.1 : 0.1 / 1.8,
    resolution: scale === unit.scale ? unit.resolution : 0.1,
  };
}
