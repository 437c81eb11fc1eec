import { DEHUMIDIFIER, GEL_TAKES, heatersOf, HUMIDIFIER } from "../chamber";
import type { Edit } from "../model";
import { measures, printDuration, printMeasure, printNumber } from "../quantity";
import type { MoistResult } from "../trial";
import type { Case, Remedy, Rule } from "./types";
import { percent } from "./words";

/** Points of relative humidity that nobody who dries food minds, and the share of the time that says more (common practice, no source). */
const NEAR = 0.05;
const OFTEN = 0.25;
/** Until a stage's air has settled, s. */
const SETTLES = 6 * 3600;
/** Above 80 % at a wall mould grows within days (EN ISO 13788 asks for less than that as a monthly mean). */
const MOULD_DAYS = 3;
/** A stage that asks for so moist an air has damp walls by its nature. */
const MOIST_BY_WISH = 0.75;
/** Of a trial, how long a wall may drip before it is said, s. */
const DRIPS = 6 * 3600;
/** Ice on a plate that keeps it from the air, kg/m²: some 3 mm of hoar (estimate). */
const THICK_ICE = 1;

const water = (kg: number): string =>
  kg < 0.1 ? `${Math.max(1, Math.round(kg * 1000))}\u00a0g` : printMeasure(kg, measures.mass, "metric");
const set = (field: Extract<Edit, { section: "moisture" }>["field"], value: number): Edit =>
  ({ section: "moisture", field, value }) as Edit;

/** The air of a stage that asks for a humidity, once it has settled. */
function airOf({ trial: { trace }, result }: Case) {
  const { humidity } = trace;
  if (!humidity) return null;
  const bins = Array.from({ length: trace.bins }, (_, i) => i).filter((i) => {
    const at = trace.from + (i + 0.5) * trace.width;
    return at > result.from + SETTLES && at < result.to;
  });
  if (bins.length === 0) return null;
  const usual = bins.map((i) => humidity.usual[i]!);
  return {
    usual,
    mean: usual.reduce((sum, v) => sum + v, 0) / bins.length,
    low: Math.min(...bins.map((i) => humidity.low[i]!)),
    high: Math.max(...bins.map((i) => humidity.high[i]!)),
    first: (so: (v: number) => boolean) => trace.from + (bins[usual.findIndex(so)]! + 0.5) * trace.width,
  };
}

const rate = (kg: number) => printMeasure(kg, measures.waterRate, "metric");

/** Where one of the two is missing: what dries the air one hour lacks in the next. */
function both({ chamber: { moisture } }: Case): Remedy[] {
  if (moisture.humidifier > 0 && moisture.dehumidifier > 0) return [];
  const [mist, dryer] = [Math.max(HUMIDIFIER, moisture.humidifier), Math.max(DEHUMIDIFIER, moisture.dehumidifier)];
  return [
    {
      id: "both",
      label: `A humidifier of ${rate(mist)} and a dehumidifier of ${rate(dryer)}`,
      edits: [set("humidifier", mist), set("dehumidifier", dryer)],
    },
  ];
}

const drier = (c: Case): Remedy[] => {
  const { moisture, cabinet } = c.chamber;
  const dryer = Math.max(DEHUMIDIFIER, 3 * moisture.dehumidifier);
  return [
    ...both(c),
    {
      id: "dryer",
      label: `A dehumidifier of ${rate(dryer)}`,
      edits: [set("dehumidifier", dryer)],
    },
    ...(cabinet.fan
      ? []
      : [{ id: "fan", label: "A fan in the box", edits: [{ section: "cabinet", field: "fan", value: true } as Edit] }]),
    { id: "vents", label: "Vents: one change of air an hour", edits: [set("airChanges", 1)] },
  ];
};
const moister = (c: Case): Remedy[] => {
  const { moisture, cabinet } = c.chamber;
  const mist = Math.max(HUMIDIFIER, 3 * moisture.humidifier);
  return [
    ...both(c),
    {
      id: "humidifier",
      label: `A humidifier of ${rate(mist)}`,
      edits: [set("humidifier", mist)],
    },
    {
      id: "tray",
      label: "A tray of salt in its brine, 30 by 40\u00a0cm",
      edits: [set("tray", 0.12), set("trayActivity", 0.75)],
    },
    ...(cabinet.fan
      ? [
          {
            id: "still",
            label: "Without the fan",
            edits: [{ section: "cabinet", field: "fan", value: false } as Edit],
          },
        ]
      : []),
  ];
};

/** A stage asks for a humidity that nothing holds. */
export const humidityOff: Rule = (c) => {
  const asked = c.stage.humidity;
  const air = asked > 0 ? airOf(c) : null;
  if (!air) return null;
  const off = air.usual.filter((v) => Math.abs(v - asked) > NEAR).length / air.usual.length;
  if (off <= OFTEN) return null;
  const dry = air.mean < asked;
  const dries = c.chamber.vessels.some(({ product }) => product.kind === "sausage" || product.kind === "wholeMuscle");
  return {
    id: "humidity-off",
    severity: dries ? "warning" : "note",
    station: "box",
    title: dry ? "The air is drier than wanted" : "The air is moister than wanted",
    text: `${percent(asked)} are wanted; on average it comes to ${percent(air.mean)}, and ${percent(off)} of the time it is more than ${Math.round(NEAR * 100)} points off. How much it breathes and what gives off water are estimates: over them it lies between ${percent(air.low)} and ${percent(air.high)}. ${
      dry
        ? "Each time the compressor runs, its cold plate takes water out of the air."
        : "What dries makes its own air in a shut box; while the plate is not cold, nothing takes the water out."
    }`,
    moment: air.first((v) => Math.abs(v - asked) > NEAR),
    remedies: dry ? moister(c) : drier(c),
  };
};

/** Litres a month for nothing that are worth a word, and the share of what is taken out. */
const FOUGHT_OVER = 1.5;
const FOUGHT_SHARE = 0.25;
/** J a kg of a humidifier, a dehumidifier, and a compressor that freezes it out (estimates). */
const WORK = { mist: 0.9e6, dryer: 4e6, plate: 1.3e6 } as const;
const MONTH = 30 * 86_400;

/** A humidifier puts in what a dryer or a cold plate takes out again. */
export const waterFights: Rule = (c) => {
  const { moisture: m } = c.trial;
  if (!m || m.of < 86_400) return null;
  const onPlates = m.surfaces.filter((s) => s.on === "cooler").reduce((sum, s) => sum + s.left, 0);
  const out = m.dehumidified + m.drained + onPlates;
  const month = (kg: number) => (kg * MONTH) / m.of;
  const fought = Math.min(m.humidified, out);
  if (month(fought) < FOUGHT_OVER || fought < FOUGHT_SHARE * out) return null;
  const { moisture } = c.chamber;
  const byDryer = m.dehumidified > out / 2;
  const kilowattHours = (month(fought) * (WORK.mist + (byDryer ? WORK.dryer : WORK.plate))) / 3.6e6;
  const litres = (kg: number) => `${printNumber(month(kg), 0.1)}\u00a0L`;
  return {
    id: "water-fights",
    severity: "note",
    station: "box",
    title: "A humidifier works against what dries the air",
    text: `In a month ${litres(m.humidified)} of water go in and ${litres(out)} are taken out, most of it by ${byDryer ? "the dehumidifier" : "the cold plate"}: ${litres(fought)} of it for nothing, and with them about ${printNumber(kilowattHours, 0.1)}\u00a0kWh (estimates). Let them begin further apart, or do without the one that the room does not call for.`,
    moment: null,
    remedies: [
      ...(moisture.between < 0.12
        ? [{ id: "apart", label: "Let them begin 12 points apart", edits: [set("between", 0.12)] }]
        : []),
      { id: "no-mist", label: "Without the humidifier", edits: [set("humidifier", 0)] },
      ...(moisture.dehumidifier > 0
        ? [{ id: "no-dryer", label: "Without the dehumidifier", edits: [set("dehumidifier", 0)] }]
        : []),
    ],
  };
};

/** Where the water goes that has condensed on a wall. */
const whereTo = ({ drained }: MoistResult, drains: boolean, pooled: number): string =>
  drains
    ? drained > 0.005
      ? `${water(drained)} run out through the drain in this trial: keep it open, and the tray under it in sight.`
      : "What drips runs out through the drain."
    : `There is no drain: ${water(pooled)} lie in the box at the end. Put a tray in, wipe it, or take the water out of the air.`;

/** So much water never runs anywhere, kg. */
const FEW_DROPS = 0.02;

/** Water that condenses inside: on the wall, on the vessels. */
export const wetInside: Rule = (c) => {
  const { moisture: m } = c.trial;
  if (!m) return null;
  const wall = m.surfaces.find((s) => s.on === "lining")!;
  const sweats = m.surfaces.filter((s) => s.on === "vessel" && s.wetFor > DRIPS);
  if (wall.wetFor <= DRIPS && sweats.length === 0) return null;
  const pooled = m.surfaces.filter((s) => s.on !== "cooler").reduce((sum, s) => sum + s.left, 0);
  const live =
    heatersOf(c.chamber).length > 0 ||
    c.chamber.fans.length > 0 ||
    c.chamber.lights.length > 0 ||
    c.chamber.cabinet.fan;
  return {
    id: "wet-inside",
    // What a vessel sweats as it is warmed for its rest dries again; a wall that runs does not stop by itself.
    severity: live && wall.wetFor > DRIPS && Math.max(wall.most, pooled) > FEW_DROPS ? "warning" : "note",
    station: "box",
    title: wall.wetFor > DRIPS ? "Water runs down the inner wall" : "Vessels sweat",
    text: [
      wall.wetFor > DRIPS
        ? `The wall is colder than the dew point of the air for ${printDuration(wall.wetFor)}; at most ${water(wall.most)} lie on it.`
        : `They are colder than the dew point of the air for ${printDuration(Math.max(...sweats.map((s) => s.wetFor)))}.`,
      whereTo(m, c.chamber.moisture.drains, pooled),
      live
        ? "Whatever has a plug, a relay or a fan in it and is not made for wet places belongs outside; let every cable hang in a loop below its entry, so that it drips there and not inside."
        : "",
    ]
      .filter(Boolean)
      .join(" "),
    moment: null,
    remedies: c.stage.humidity > 0 ? drier(c).filter((r) => r.id === "dryer" || r.id === "fan") : dryAir(c),
  };
};

const dryAir = (c: Case): Remedy[] => [
  { id: "absorber", label: "1\u00a0kg of dry absorber in a tray", edits: [set("absorber", 1)] },
  ...drier(c).filter((r) => r.id === "fan"),
  ...(c.chamber.moisture.airChanges > 0.1
    ? [{ id: "seal", label: "A tight seal: 0.05 changes of air an hour", edits: [set("airChanges", 0.05)] }]
    : []),
];

/** A wall that stays damp for days, where nobody wants moist air. */
export const mouldGrows: Rule = (c) => {
  const { moisture: m } = c.trial;
  if (!m || c.chamber.stages.some((s) => s.humidity >= MOIST_BY_WISH)) return null;
  if (m.mouldFor < MOULD_DAYS * 86_400 || m.mouldFor < 0.5 * m.of) return null;
  return {
    id: "mould",
    severity: "note",
    station: "box",
    title: "Damp enough for mould",
    text: `At the inner wall the air is above 80\u00a0% for ${printDuration(m.mouldFor)} of ${printDuration(m.of)}: where that lasts for days, mould grows on it (EN ISO 13788). Wipe it dry and clean between batches, keep it aired while it stands empty.`,
    moment: null,
    remedies: dryAir(c),
  };
};

/** Ice that grows on a cold plate until it stands between it and the air. */
export const iceGrows: Rule = (c) => {
  const { moisture: m } = c.trial;
  const iced = m?.surfaces.filter((s) => s.on === "cooler" && s.area > 0 && s.mostIce > THICK_ICE * s.area) ?? [];
  if (iced.length === 0) return null;
  const most = Math.max(...iced.map((s) => s.mostIce));
  const cooler = c.chamber.coolers[iced[0]!.index]!;
  return {
    id: "ice-grows",
    severity: "note",
    station: "heat",
    title: "Ice grows on the cold plate",
    text: `${water(most)} by the end of this trial: it keeps the plate from the air, and the cooling weakens. When it thaws, what does not run out goes back into the air.`,
    moment: null,
    remedies: [
      {
        id: "defrost",
        label: "Let it thaw for half an hour, twice a day",
        edits: [
          { section: "cooler", field: "defrostEvery", id: cooler.id, value: 12 * 3600 },
          { section: "cooler", field: "defrostFor", id: cooler.id, value: 1800 },
        ],
      },
      ...dryAir(c).filter((r) => r.id === "seal"),
    ],
  };
};

/** An absorber that has taken all that it can. */
export const absorberFull: Rule = (c) => {
  const { moisture: m } = c.trial;
  const holds = GEL_TAKES * c.chamber.moisture.absorber;
  if (!m || holds === 0 || m.absorbed < 0.9 * holds) return null;
  return {
    id: "absorber-full",
    severity: "note",
    station: "box",
    title: "The absorber fills up",
    text: `It has taken ${water(m.absorbed)} by the end, of about ${water(holds)} that it can: dry it in the oven as its packet says, or take more of it.`,
    moment: null,
    remedies: [
      {
        id: "more",
        label: "Three times as much",
        edits: [set("absorber", Math.min(50, 3 * c.chamber.moisture.absorber))],
      },
    ],
  };
};
