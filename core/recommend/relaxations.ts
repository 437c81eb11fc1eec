import {
  coolerChoice,
  coolerLabels,
  coolersFor,
  hasCooler,
  heaterFor,
  heatersOf,
  heatNeeded,
  isBath,
  tryEdits,
} from "../chamber";
import { outletsOf } from "../controller";
import type { Chamber, ChamberRecord, Edit } from "../model";
import { hasOwnHeat } from "../product";
import { placeAtProduct, placeLabel, probeMove } from "../probe";
import { celsius, kelvins, midSentence, printDifference, printTemperature, type Scale } from "../quantity";
import type { BindingConstraint } from "./constraint";
import type { Setup } from "./setups";

/** A change that may relax a constraint; whether it does is for the search to find out. */
export interface PossibleRelaxation {
  label: (scale: Scale) => string;
  edits: Edit[];
  /** Milder ones of the same kind: from what does not help to this one, in even steps. */
  milder?: { from: number; to: number; step: number; at: (value: number) => PossibleRelaxation };
}

const edit = (section: string, field: string, value: unknown, id?: string): Edit =>
  ({ section, field, value, ...(id === undefined ? {} : { id }) }) as Edit;

/** More than this is another job, not a wider band, K. */
const WIDEST = 3;
const RESERVE = 0.5;
/** Places that people have, °C. */
const COLDEST_PLACE = -10;
const WARMEST_PLACE = 30;

/** A tenth up: what is offered is a round number, and a little more than just enough. */
const up = (d: number) => Math.ceil((d + 0.05) * 10) / 10;

/** Onto the product, where the probe is blind to it now. */
function moveProbe({ plan: { chamber, stages }, stage, group }: Setup): PossibleRelaxation[] {
  const lead = chamber.controllers[group.members[0]!]!;
  const { place, id } = chamber.probes.find((p) => p.id === lead.probes[0])!;
  const blind = place === "air" || place === "waterBottle" || place === "bare";
  if (stages[stage]!.stage.of !== "product" || isBath(chamber.cabinet.kind) || !blind) return [];
  const better = placeAtProduct(chamber.vessels.find((v) => v.id === group.holds) ?? chamber.vessels[0]!);
  return [
    {
      label: () => `Move the probe: ${midSentence(placeLabel(better, chamber.cabinet))}`,
      edits: probeMove(better, id),
    },
  ];
}

function largerHeater({ plan: { chamber, stages }, stage, group }: Setup): PossibleRelaxation[] {
  const heaters = heatersOf(chamber);
  const strongest = [...heaters].sort((a, b) => b.power - a.power)[0];
  if (!strongest || strongest.kind === "charcoal") return [];
  const { stage: of } = stages[stage]!;
  const total = heaterFor(heatNeeded(chamber, celsius(group.target), of, group.holds), chamber.cabinet.kind);
  const better = total - heaters.reduce((sum, h) => sum + (h.id === strongest.id ? 0 : h.power), 0);
  return better > strongest.power
    ? [{ label: () => `Use a ${better}\u00a0W heater`, edits: [edit("heater", "power", better, strongest.id)] }]
    : [];
}

/** Something that cools, switched by a unit that has an outlet for it. */
function addCooler({ plan: { chamber }, group }: Setup): PossibleRelaxation[] {
  const { cabinet } = chamber;
  const kind = coolersFor(cabinet.kind).find((k) => k === "compressor" || k === "peltier");
  // What is added has to hang on an outlet: the entry that is there, on the unit that it is plugged into.
  const entry = chamber.coolers.find((c) => chamber.controllers.some((u) => u.cold.includes(c.id)));
  const on = entry && chamber.controllers.find((u) => u.cold.includes(entry.id));
  if (hasCooler(chamber) || !kind || !entry || !on) return [];
  const outlets = outletsOf(on.unit);
  const enough = outlets.cold && (outlets.heat || group.members.length > 1);
  return [
    {
      label: () => `Add a ${midSentence(coolerLabels[kind])}${enough ? "" : ", and a unit with an outlet for each"}`,
      edits: [...coolerChoice(kind, entry.id), ...(enough ? [] : [edit("unit", "kind", "twoDifferentials", on.id)])],
    },
  ];
}

/** Less of a product that heats itself; its heat goes with its amount. */
function smallerBatch({ plan: { chamber } }: Setup, { judged }: BindingConstraint): PossibleRelaxation[] {
  const { vessels } = chamber;
  const vessel = vessels.find((v) => v.id === judged) ?? vessels[0]!;
  const { product, volume, id } = vessel;
  if (!hasOwnHeat(product)) return [];
  const of = vessels.length > 1 ? ` in vessel ${vessels.indexOf(vessel) + 1}` : "";
  return [
    { share: 0.5, label: `Make half as much of it${of}` },
    { share: 0.25, label: `Make a quarter as much of it${of}` },
  ].map(({ share, label }) => ({
    label: () => label,
    edits: [
      edit("vessel", "volume", volume * share, id),
      ...(product.kind === "hold"
        ? [
            edit(
              "product",
              "heatCurve",
              product.heatCurve.map((p) => ({ ...p, watts: p.watts * share })),
              id,
            ),
          ]
        : []),
    ],
  }));
}

/** Another place for the box. A recorded room cannot be argued with. */
function betterRoom({ room, recorded }: Chamber, target: number, constraint: BindingConstraint): PossibleRelaxation[] {
  if (recorded) return [];
  const warm = constraint.cause === "warm";
  const whole = (t: number) => celsius(warm ? Math.floor(t) : Math.ceil(t));
  const placeOf = (degrees: number): PossibleRelaxation => {
    const t = celsius(degrees);
    return {
      edits: warm
        ? [...(t < room.low ? [edit("room", "low", t)] : []), edit("room", "high", t)]
        : [...(t > room.high ? [edit("room", "high", t)] : []), edit("room", "low", t)],
      label: (scale) => `Stand it where it gets no ${warm ? "warmer" : "colder"} than ${printTemperature(t, scale)}`,
    };
  };
  return [1, 2].flatMap((rung): PossibleRelaxation[] => {
    const by = rung * constraint.by + RESERVE;
    const t = warm
      ? whole(Math.min(room.high, target) - by)
      : whole(Math.max(room.low, Math.min(target, room.low)) + by);
    if (t < COLDEST_PLACE || t > WARMEST_PLACE) return [];
    return [{ ...placeOf(t), milder: { from: whole(warm ? room.high : room.low), to: t, step: 1, at: placeOf } }];
  });
}

function widerBand({ plan: { chamber, stages }, stage }: Setup, constraint: BindingConstraint): PossibleRelaxation[] {
  const own = chamber.vessels.find((v) => v.id === constraint.judged && v.band);
  const { low, high } = own?.band ?? stages[stage]!.stage;
  const put = (field: "low" | "high", t: number) =>
    own ? edit("band", field, celsius(t), own.id) : edit("stage", field, celsius(t), stages[stage]!.id);
  const say = (d: number, scale: Scale) => printDifference(kelvins(d), scale);
  if (constraint.cause === "warm" || constraint.cause === "cold") {
    const warm = constraint.cause === "warm";
    return [up(constraint.by), up(constraint.by + RESERVE)]
      .filter((by) => by <= WIDEST)
      .map((by) => ({
        label: (scale: Scale) => `Allow ${say(by, scale)} more at the ${warm ? "warm" : "cold"} end`,
        edits: [warm ? put("high", high + by) : put("low", low - by)],
      }));
  }
  return [0.3, 0.6, 1, 2].map((by) => ({
    label: (scale: Scale) => `Allow ${say(by, scale)} more at both ends`,
    edits: [put("low", low - by), put("high", high + by)],
  }));
}

/**
 * Changes that usually relax such a constraint, in groups of one kind each; within a group the smaller change first.
 * Only what the chamber allows.
 */
export function relaxationsOf(
  record: ChamberRecord,
  setup: Setup,
  constraint: BindingConstraint,
): PossibleRelaxation[][] {
  const { cause } = constraint;
  const { chamber } = setup.plan;
  const groups = [
    moveProbe(setup),
    ...(cause === "cold" ? [largerHeater(setup)] : []),
    ...(cause === "warm" ? [addCooler(setup), smallerBatch(setup, constraint)] : []),
    widerBand(setup, constraint),
    ...(cause === "warm" || cause === "cold" ? [betterRoom(chamber, setup.group.target, constraint)] : []),
  ];
  const possible = ({ edits }: PossibleRelaxation) => tryEdits(record, edits).ok;
  return groups.map((group) => group.filter(possible)).filter((group) => group.length > 0);
}
