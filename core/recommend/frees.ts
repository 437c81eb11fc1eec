import { coolersFor, coolerLabels, hasCooler, hasHeater, heaterFor, heatNeeded, tryEdits } from "../chamber";
import { outletsOf } from "../controller";
import type { Chamber, ChamberRecord, Edit, ProbePlace } from "../model";
import { placeLabel } from "../probe";
import { celsius, kelvins, printDifference, printTemperature } from "../quantity";
import type { Demand } from "./demand";
import type { Free } from "./types";

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
function moveProbe(chamber: Chamber): Free[] {
  const { place } = chamber.probes[0]!;
  const { form } = chamber.vessels[0]!;
  const inBath = chamber.cabinet.kind === "crock" || chamber.cabinet.kind === "kettle";
  const blind = place === "air" || place === "waterBottle" || place === "bare";
  if (chamber.stages[0]!.of !== "product" || inBath || !blind) return [];
  const better: ProbePlace = form === "tray" || form === "piece" ? "core" : "strapped";
  return [
    {
      label: `Move the probe: ${placeLabel(better, chamber.cabinet).toLowerCase()}`,
      edits: [edit("probe", "place", better), edit("probe", "lag", undefined), edit("probe", "share", undefined)],
    },
  ];
}

function largerHeater(chamber: Chamber): Free[] {
  const { kind, power } = chamber.heater;
  const better = heaterFor(heatNeeded(chamber, chamber.stages[0]!.target), chamber.cabinet.kind);
  return hasHeater(chamber) && kind !== "charcoal" && better > power
    ? [{ label: `Use a ${better}\u00a0W heater`, edits: [edit("heater", "power", better)] }]
    : [];
}

/** Something that cools, switched by a unit that has an outlet for it. */
function addCooler(chamber: Chamber): Free[] {
  const { cabinet, unit } = chamber;
  const kind = coolersFor(cabinet.kind).find((k) => k === "compressor" || k === "peltier");
  if (hasCooler(chamber) || !kind) return [];
  const twoOutlets = outletsOf(unit).cold && outletsOf(unit).heat;
  return [
    {
      label: `Add a ${coolerLabels[kind].toLowerCase()}${twoOutlets ? "" : ", and a unit with an outlet for each"}`,
      edits: [
        edit("cooler", "kind", kind),
        edit("cooler", "power", undefined),
        ...(twoOutlets ? [] : [edit("unit", "kind", "twoDifferentials")]),
      ],
    },
  ];
}

/** Less of a product that heats itself; its heat goes with its amount. */
function smallerBatch({ vessels }: Chamber): Free[] {
  const [first] = vessels;
  const { product, volume } = first!;
  if (vessels.length > 1 || (product.kind === "hold" && !product.heatCurve.some((p) => p.watts > 0))) return [];
  return [
    { share: 0.5, label: "Make half as much of it" },
    { share: 0.25, label: "Make a quarter as much of it" },
  ].map(({ share, label }) => ({
    label,
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
function betterRoom({ room, roomSeries, unit, stages }: Chamber, demand: Demand): Free[] {
  if (roomSeries) return [];
  const warm = demand.cause === "warm";
  const whole = (t: number) => celsius(warm ? Math.floor(t) : Math.ceil(t));
  const { target } = stages[0]!;
  return [1, 2].flatMap((rung): Free[] => {
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
        label: `Stand it where it gets no ${warm ? "warmer" : "colder"} than ${printTemperature(t, unit.scale)}`,
        edits,
      },
    ];
  });
}

function widerBand({ stages, unit }: Chamber, demand: Demand): Free[] {
  const { low, high } = stages[0]!;
  const say = (d: number) => printDifference(kelvins(d), unit.scale);
  if (demand.cause === "warm" || demand.cause === "cold") {
    const warm = demand.cause === "warm";
    return [up(demand.by), up(demand.by + RESERVE)]
      .filter((by) => by <= WIDEST)
      .map((by) => ({
        label: `Allow ${say(by)} more at the ${warm ? "warm" : "cold"} end`,
        edits: [warm ? edit("stage", "high", celsius(high + by)) : edit("stage", "low", celsius(low - by))],
      }));
  }
  return [0.3, 0.6, 1, 2].map((by) => ({
    label: `Allow ${say(by)} more at both ends`,
    edits: [edit("stage", "low", celsius(low - by)), edit("stage", "high", celsius(high + by))],
  }));
}

/**
 * Changes that usually free such a demand, in groups of one kind each; within a group the smaller change first. Whether
 * one does is for the search to find out. Only what the chamber allows.
 */
export function freesOf(record: ChamberRecord, chamber: Chamber, demand: Demand): Free[][] {
  const { cause } = demand;
  const groups = [
    moveProbe(chamber),
    ...(cause === "cold" ? [largerHeater(chamber)] : []),
    ...(cause === "warm" ? [addCooler(chamber), smallerBatch(chamber)] : []),
    widerBand(chamber, demand),
    ...(cause === "warm" || cause === "cold" ? [betterRoom(chamber, demand)] : []),
  ];
  const possible = ({ edits }: Free) => tryEdits(record, edits).ok;
  return groups.map((group) => group.filter(possible)).filter((group) => group.length > 0);
}
