import type { CabinetKind, Edit, ProductKind, SectionName } from "../model";
import { productLabels } from "../product";

import { celsius, kelvins } from "../quantity";
import { DEHUMIDIFIER } from "./moisture";

/** A usual job: what the first of the three questions offers, with the edits that it starts from. */
export interface Job {
  id: string;
  label: string;
  /** Temperatures in it are °C in braces (`inDegrees`). */
  note: string;
  /** Boxes that it is usually done in, the most usual first. */
  boxes: readonly CabinetKind[];
  edits: readonly Edit[];
  /** What it begins with in one box or another, over these: gear that was found to hold its band there. */
  inBox?: Partial<Record<CabinetKind, readonly Edit[]>>;
}

const edit = (section: SectionName, field: string, value: unknown): Edit => ({ section, field, value }) as Edit;
const band = (low: number, high: number, kind: ProductKind = "hold"): Edit[] => [
  edit("product", "kind", kind),
  edit("stage", "low", celsius(low)),
  edit("stage", "high", celsius(high)),
];
const start = (t: number) => edit("vessel", "startTemperature", celsius(t));
const load = (form: string, filling: string, wall: string, volume: number, count = 1): Edit[] => [
  edit("vessel", "form", form),
  edit("vessel", "filling", filling),
  edit("vessel", "wall", wall),
  edit("vessel", "volume", volume),
  ...(count > 1 ? [edit("vessel", "count", count)] : []),
];
const heatOnly = edit("unit", "kind", "heatOnly");
const keyed = (setpoint: number, differential: number): Edit[] => [
  edit("settings", "setpoint", celsius(setpoint)),
  edit("settings", "heatingDifferential", kelvins(differential)),
];
const probe = (place: string): Edit => edit("probe", "place", place);
/**
 * Half as much tempeh, air on all sides of it, vents for its own heat (W/K), and half a degree: found by trying. A
 * fridge's compressor stays out: it undercools so light a load by three kelvins each time.
 */
const vented = (power: number, vents: number, filledAt: number): Edit[] => [
  edit("stage", "low", celsius(29)),
  edit("vessel", "volume", 0.0009),
  start(filledAt),
  edit("cabinet", "fan", true),
  edit("heater", "power", power),
  edit("thermal", "airToRoom", vents),
  ...keyed(31, 0.3),
];
/** A day's fire in the air around what is smoked: small steps, a charge with a reserve, and an end. */
const fire = (differential: number, charge: number): Edit[] => [
  ...keyed(117, differential),
  edit("heater", "fuel", charge),
  edit("stage", "ends", [{ kind: "after", seconds: 10 * 3600 }]),
];
/** An element in the water with a pump: it answers at once and evens out, where the pot's own element overshoots. */
const circulator = [edit("heater", "kind", "immersion"), edit("cabinet", "fan", true)];
/** Half a degree between on and off: what a kettle with a pump takes without leaving two degrees. */
const kettleSettings = [edit("settings", "heatingDifferential", kelvins(0.5)), edit("heater", "power", 1650)];
const fridges: readonly CabinetKind[] = ["upright", "chest", "underCounter", "fridgeFreezer", "jacketed", "wine"];
const beer = (kind: ProductKind, note: string): Job => ({
  id: kind,
  label: productLabels[kind],
  note,
  boxes: fridges,
  edits: [edit("product", "kind", kind)],
  // Little cold and little heat in reserve: the air alone would be switched far too often.
  inBox: { wine: [probe("strapped")] },
});
/** What ferments by a course that somebody types: in the boxes that hold a cask or a large vessel. */
const typedCourse = (kind: ProductKind, note: string): Job => ({
  ...beer(kind, note),
  boxes: ["upright", "chest"],
  inBox: {},
});

/**
 * Usual jobs with their temperatures: common practice, no source, but for what docs/sources.md names. All of it can be
 * changed on the bench.
 */
export const jobs: readonly Job[] = [
  beer("ale", "{17} to {22} {°}, with its own heat"),
  beer("lager", "{8} to {13} {°}, with its own heat"),
  beer("farmhouse", "{20} to {29} {°}, with its own heat"),
  typedCourse("wine", "{16} to {22} {°} for weeks"),
  typedCourse("cider", "{12} to {18} {°} for weeks"),
  typedCourse("mead", "{17} to {21} {°} for weeks"),
  typedCourse("spontaneous", "{15} to {22} {°} for months"),
  {
    id: "tempeh",
    label: "Tempeh",
    note: "{30} to {32} {°}; after half a day it heats itself",
    boxes: ["foam", "underCounter", "upright"],
    edits: [...band(30, 33, "tempeh"), ...load("tray", "beans", "none", 0.0018), start(30), heatOnly],
    inBox: { foam: vented(120, 3, 31), upright: vented(100, 2, 25), underCounter: vented(80, 2, 25) },
  },
  {
    id: "honey",
    label: "Honey, warmed",
    note: "{40} to {45} {°} for days, never above {50} {°}",
    boxes: ["warmBox", "upright", "foam"],
    // Two such pails stand in a usual cabinet only one over the other.
    edits: [
      ...band(40, 45, "honey"),
      ...load("pail", "setHoney", "plastic", 0.019, 2),
      edit("build", "shelfAt", 0.4),
      start(16),
      heatOnly,
    ],
    inBox: {
      // The face of a tube heater that melts honey is too hot to stand bare beside pails; a guarded lamp hangs above them.
      upright: [edit("heater", "kind", "lamp"), edit("cabinet", "fan", true)],
      // Without a fan the pails see walls that are colder than the air, and stay behind it by three kelvins.
      warmBox: [edit("cabinet", "fan", true), ...keyed(43.5, 1.5)],
      foam: [
        ...load("jar", "setHoney", "plastic", 0.001, 4),
        edit("build", "shelfAt", 0),
        edit("cabinet", "fan", true),
        probe("strapped"),
        ...keyed(42.5, 0.3),
      ],
    },
  },
  {
    id: "bath",
    label: "Cooking in a water bath",
    note: "{55} to {65} {°}, held for hours",
    boxes: ["crock"],
    edits: [...band(59, 61, "bath"), ...load("piece", "meat", "none", 0.00038), start(5), heatOnly],
    inBox: { crock: circulator },
  },
  {
    id: "mash",
    label: "Mash",
    note: "{62} to {72} {°} for an hour or two",
    boxes: ["kettle"],
    edits: [...band(64, 66, "mash"), ...load("pot", "water", "steel", 0.027), start(18), heatOnly],
    inBox: { kettle: kettleSettings },
  },
  {
    id: "smoke",
    label: "Hot smoking",
    note: "{70} to {125} {°} in the air around it",
    boxes: ["drum", "brick"],
    edits: [
      ...band(110, 125, "smoke"),
      ...load("piece", "meat", "none", 0.0046),
      start(5),
      heatOnly,
      edit("unit", "differentialHigh", kelvins(15)),
    ],
    inBox: { drum: fire(4, 15), brick: fire(3, 30) },
  },
  {
    id: "sausage",
    label: productLabels.sausage,
    note: "{24} to {27} {°}, then {11} to {14} {°} for weeks",
    boxes: ["upright", "wine"],
    edits: [
      ...band(23, 27, "sausage"),
      ...load("piece", "meat", "none", 0.0008, 8),
      start(12),
      edit("stage", "humidity", 0.92),
      edit("cabinet", "fan", true),
    ],
    inBox: {
      // The plate of a fridge is seldom cold in a mild room: twice the usual dryer.
      upright: [
        edit("settings", "heatingDifferential", kelvins(1.8)),
        edit("moisture", "dehumidifier", 2 * DEHUMIDIFIER),
      ],
      wine: [probe("core")],
    },
  },
  {
    id: "cure",
    label: "Dry curing",
    note: "{10} to {14} {°} for weeks",
    boxes: ["wine", "upright", "underCounter"],
    edits: [
      ...band(10, 14, "wholeMuscle"),
      ...load("piece", "meat", "none", 0.0093),
      start(2),
      edit("stage", "humidity", 0.85),
      edit("cabinet", "fan", true),
    ],
    inBox: {
      wine: [probe("core"), edit("settings", "coolingDifferential", kelvins(0.6))],
      upright: [edit("settings", "heatingDifferential", kelvins(1.6))],
    },
  },
  {
    id: "serve",
    label: "Storing and serving",
    note: "{3} to {6} {°}, filled warm",
    boxes: ["chest", "upright", "fridgeFreezer", "underCounter"],
    edits: [...band(3, 6, "serving"), ...load("carboy", "water", "steel", 0.019), start(18)],
  },
  {
    id: "hold",
    label: "Just hold a temperature",
    note: "Any band, any box",
    boxes: ["upright", "chest", "foam", "warmBox", "crock", "kettle", "drum", "brick", "jacketed", "wine"],
    edits: [...band(18, 22)],
    // What only heats holds what is warmer than a room.
    inBox: {
      foam: [
        ...band(28, 32),
        heatOnly,
        edit("heater", "kind", "mat"),
        edit("heater", "power", 40),
        ...keyed(30.5, 0.5),
      ],
      warmBox: [...band(28, 32), heatOnly, edit("cabinet", "fan", true)],
      drum: [...band(110, 125), start(5), heatOnly, edit("unit", "differentialHigh", kelvins(15)), ...fire(4, 15)],
      brick: [...band(110, 125), start(5), heatOnly, edit("unit", "differentialHigh", kelvins(15)), ...fire(3, 30)],
      crock: [...band(55, 60), heatOnly, ...circulator],
      kettle: [...band(60, 65), start(18), heatOnly, ...kettleSettings],
    },
  },
];

/** What a job begins with in a box, and the box itself. */
export const jobEdits = ({ edits, inBox }: Job, box: CabinetKind): Edit[] => [
  edit("cabinet", "kind", box),
  ...edits,
  ...(inBox?.[box] ?? []),
];
