import {
  coolerChoice,
  coolerLabels,
  coolersFor,
  hasCooler,
  hasHeater,
  heaterFor,
  heatNeeded,
  isBath,
  tryEdits,
} from "../chamber";
import { outletsOf } from "../controller";
import type { Chamber, ChamberRecord, Edit } from "../model";
import { placeAtProduct, placeLabel, probeMove } from "../probe";
import { celsius, kelvins, midSentence, printDifference, printTemperature, type Scale } from "../quantity";
import type { Demand } from "./demand";

/** A change that may free a demand; whether it does is for the search to find out. */
export interface Change {
  label: (scale: Scale) => string;
  edits: Edit[];
}

const edit = (section: string, field: string, value: unknown): Edit => ({ section, field, value }) as Edit;

/** More than this is another job, not a wider band, K. */
const WIDEST = 3;
const RESERVE = 0.5;
/** Places that people have, °C. */
const COLDEST_PLACE = -10;
const WARMEST_PLACE = 30;

/** A tenth up: what is offered is a round number, and a little more than just enough. */
const up = (d: number) => Math.ceil((d + 0.05) * 10) / 10;

/** Onto the product, where the probe is blind to it now. */
function moveProbe(chamber: Chamber): Change[] {
  const { place } = chamber.probes[0]!;
  const blind = place === "air" || place === "waterBottle" || place === "bare";
  if (chamber.stages[0]!.of !== "product" || isBath(chamber.cabinet.kind) || !blind) return [];
  const better = placeAtProduct(chamber.vessels[0]!);
  return [
    {
      label: () => `Move the probe: ${midSentence(placeLabel(better, chamber.cabinet))}`,
      edits: probeMove(better),
    },
  ];
}

function largerHeater(chamber: Chamber): Change[] {
  const { kind, power } = chamber.heater;
  const better = heaterFor(heatNeeded(chamber, chamber.stages[0]!.target), chamber.cabinet.kind);
  return hasHeater(chamber) && kind !== "charcoal" && better > power
    ? [{ label: () => `Use a ${better}\u00a0W heater`, edits: [edit("heater", "power", better)] }]
    : [];
}

/** Something that cools, switched by a unit that has an outlet for it. */
function addCooler(chamber: Chamber): Change[] {
  const { cabinet, unit } = chamber;
  const kind = coolersFor(cabinet.kind).find((k) => k === "compressor" || k === "peltier");
  if (hasCooler(chamber) || !kind) return [];
  const twoOutlets = outletsOf(unit).cold && outletsOf(unit).heat;
  return [
    {
      label: () =>
        `Add a ${midSentence(coolerLabels[kind])}${twoOutlets ? "" : ", and a unit with an outlet for each"}`,
      edits: [...coolerChoice(kind), ...(twoOutlets ? [] : [edit("unit", "kind", "twoDifferentials")])],
    },
  ];
}

/** Less of a product that heats itself; its heat goes with its amount. */
function smallerBatch({ vessels }: Chamber): Change[] {
  const [first] = vessels;
  const { product, volume } = first!;
  if (vessels.length > 1 || (product.kind === "hold" && !product.heatCurve.some((p) => p.watts > 0))) return [];
  return [
    { share: 0.5, label: "Make half as much of it" },
    { share: 0.25, label: "Make a quarter as much of it" },
  ].map(({ share, label }) => ({
    label: () => label,
    edits: [
      edit("vessel", "volume", volume * share),
      ...(product.kind === "hold"
        ? [
            edit(
              "product",
              "heatCurve",
              product.heatCurve.map((p) => ({ ...p, watts: p.watts * share })),
            ),
          ]
        : []),
    ],
  }));
}

/** Another place for the box. A recorded room cannot be argued with. */
function betterRoom({ room, roomSeries, stages }: Chamber, demand: Demand): Change[] {
  if (roomSeries) return [];
  const warm = demand.cause === "warm";
  const whole = (t: number) => celsius(warm ? Math.floor(t) : Math.ceil(t));
  const { target } = stages[0]!;
  return [1, 2].flatMap((rung): Change[] => {
    const by = rung * demand.by + RESERVE;
    const t = warm
      ? whole(Math.min(room.high, target) - by)
      : whole(Math.max(room.low, Math.min(target, room.low)) + by);
    if (t < COLDEST_PLACE || t > WARMEST_PLACE) return [];
    const edits = warm
      ? [...(t < room.low ? [edit("room", "low", t)] : []), edit("room", "high", t)]
      : [...(t > room.high ? [edit("room", "high", t)] : []), edit("room", "low", t)];
    return [
      {
        label: (scale) => `Stand it where it gets no ${warm ? "warmer" : "colder"} than ${printTemperature(t, scale)}`,
        edits,
      },
    ];
  });
}

function widerBand({ stages }: Chamber, demand: Demand): Change[] {
  const { low, high } = stages[0]!;
  const say = (d: number, scale: Scale) => printDifference(kelvins(d), scale);
  if (demand.cause === "warm" || demand.cause === "cold") {
    const warm = demand.cause === "warm";
    return [up(demand.by), up(demand.by + RESERVE)]
      .filter((by) => by <= WIDEST)
      .map((by) => ({
        label: (scale: Scale) => `Allow ${say(by, scale)} more at the ${warm ? "warm" : "cold"} end`,
        edits: [warm ? edit("stage", "high", celsius(high + by)) : edit("stage", "low", celsius(low - by))],
      }));
  }
  return [0.3, 0.6, 1, 2].map((by) => ({
    label: (scale: Scale) => `Allow ${say(by, scale)} more at both ends`,
    edits: [edit("stage", "low", celsius(low - by)), edit("stage", "high", celsius(high + by))],
  }));
}

/**
 * Changes that usually free such a demand, in groups of one kind each; within a group the smaller change first. Only
 * what the chamber allows.
 */
export function freesOf(record: ChamberRecord, chamber: Chamber, demand: Demand): Change[][] {
  const { cause } = demand;
  const groups = [
    moveProbe(chamber),
    ...(cause === "cold" ? [largerHeater(chamber)] : []),
    ...(cause === "warm" ? [addCooler(chamber), smallerBatch(chamber)] : []),
    widerBand(chamber, demand),
    ...(cause === "warm" || cause === "cold" ? [betterRoom(chamber, demand)] : []),
  ];
  const possible = ({ edits }: Change) => tryEdits(record, edits).ok;
  return groups.map((group) => group.filter(possible)).filter((group) => group.length > 0);
}
