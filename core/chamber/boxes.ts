import type { Cabinet, CabinetKind, CoolerKind, HeaterKind, ProbePlace, Vessel } from "../model";

interface Box {
  label: string;
  /** What it gives and what it costs, for people. */
  trade: string;
  cabinet: Omit<Cabinet, "kind">;
  heater: HeaterKind;
  cooler: CoolerKind;
  /** What stands in it where nothing else is said. */
  vessel: Pick<Vessel, "form" | "volume" | "filling" | "wall">;
  /** Where the probe sits where nothing else is said. */
  probe: ProbePlace;
}

const bucket = { form: "bucket", volume: 0.023, filling: "water", wall: "plastic" } as const;
/** Relative humidity in a shut box with something moist in it, and of a room's air (common practice: 70 to 80 %, 40 to 70 %). */
const SHUT = 0.75;
const ROOM_AIR = 0.6;
const walls = (height: number, width: number, depth: number, insulation: number, conductivity: number) => ({
  height,
  width,
  depth,
  insulation,
  conductivity,
  jacket: 0,
  age: "new" as const,
  collar: 0,
  fan: false,
  bath: 0,
  humidity: SHUT,
});
const FOAM = 0.022;

/** Usual measures of each kind of box (estimates; measure your own), with the devices that belong to it. */
export const boxes: Record<CabinetKind, Box> = {
  upright: {
    label: "Upright larder fridge",
    trade: "Tall vessels, no lifting over a rim. Dearer, and the door spills its cold air.",
    cabinet: walls(1.7, 0.6, 0.6, 0.05, FOAM),
    heater: "tube",
    cooler: "compressor",
    vessel: bucket,
    probe: "strapped",
  },
  underCounter: {
    label: "Under-counter fridge",
    trade: "Small and cheap; a bucket with its airlock often does not go in.",
    cabinet: walls(0.85, 0.55, 0.58, 0.045, FOAM),
    heater: "tube",
    cooler: "compressor",
    vessel: { ...bucket, volume: 0.012 },
    probe: "strapped",
  },
  fridgeFreezer: {
    label: "Fridge-freezer, its fridge part",
    trade: "Two compartments share one compressor: the freezer follows what the fridge part asks for.",
    cabinet: walls(1.2, 0.58, 0.62, 0.05, FOAM),
    heater: "tube",
    cooler: "compressor",
    vessel: bucket,
    probe: "strapped",
  },
  chest: {
    label: "Chest freezer",
    trade: "Cheap, tight, keeps its cold when opened. Everything is lifted over the rim.",
    cabinet: walls(0.85, 0.75, 0.55, 0.065, FOAM),
    heater: "tube",
    cooler: "compressor",
    vessel: { ...bucket, volume: 0.019 },
    probe: "strapped",
  },
  wine: {
    label: "Wine or curing cabinet",
    trade: "Made to hold {5} to {18} {°} quietly; little cold in reserve.",
    cabinet: walls(0.85, 0.5, 0.57, 0.04, 0.024),
    heater: "mat",
    cooler: "compressor",
    vessel: { form: "piece", volume: 0.0093, filling: "meat", wall: "none" },
    probe: "air",
  },
  foam: {
    label: "Foam box in a tote",
    trade: "A few boards and a small lamp hold {31} {°}; it cannot cool.",
    cabinet: walls(0.35, 0.55, 0.4, 0.025, 0.037),
    heater: "bulb",
    cooler: "none",
    vessel: { form: "tray", volume: 0.0018, filling: "beans", wall: "none" },
    probe: "core",
  },
  warmBox: {
    label: "Dead fridge as a warm box",
    trade: "A good box for nothing; heat only, and only while the room is colder.",
    cabinet: walls(1.7, 0.6, 0.6, 0.05, FOAM),
    heater: "lamp",
    cooler: "none",
    vessel: { form: "pail", volume: 0.019, filling: "honey", wall: "plastic" },
    probe: "air",
  },
  crock: {
    label: "Slow cooker or insulated pot",
    trade: "A water bath for little money; slow to answer, so it overshoots.",
    cabinet: { ...walls(0.22, 0.28, 0.28, 0.008, 0.9), bath: 0.0045, humidity: ROOM_AIR },
    heater: "element",
    cooler: "none",
    vessel: { form: "piece", volume: 0.00038, filling: "meat", wall: "none" },
    probe: "air",
  },
  kettle: {
    label: "Kettle",
    trade: "The liquid itself is heated; a pump keeps it at one temperature.",
    cabinet: { ...walls(0.38, 0.36, 0.36, 0.001, 17), fan: true, humidity: ROOM_AIR },
    heater: "immersion",
    cooler: "none",
    vessel: { form: "pot", volume: 0.027, filling: "water", wall: "steel" },
    probe: "air",
  },
  drum: {
    label: "Steel drum",
    trade: "Light, quick, thirsty: thin steel and wind take most of the fire.",
    cabinet: { ...walls(0.88, 0.57, 0.57, 0.001, 50), humidity: ROOM_AIR },
    heater: "charcoal",
    cooler: "none",
    vessel: { form: "piece", volume: 0.0048, filling: "meat", wall: "none" },
    probe: "air",
  },
  brick: {
    label: "Brick smokehouse",
    trade: "Slow to warm and slow to cool: steady for days.",
    cabinet: { ...walls(1.9, 0.9, 0.9, 0.11, 0.77), humidity: ROOM_AIR },
    heater: "charcoal",
    cooler: "none",
    vessel: { form: "piece", volume: 0.006, filling: "fish", wall: "none" },
    probe: "air",
  },
  jacketed: {
    label: "Vessel with its own jacket and plate",
    trade: "Heats and cools the vessel alone; the plate is weak in a warm room.",
    cabinet: walls(0.55, 0.36, 0.36, 0.03, 0.028),
    heater: "plate",
    cooler: "peltier",
    vessel: { form: "carboy", volume: 0.02, filling: "water", wall: "steel" },
    probe: "filledWell",
  },
};

export const cabinetDefaults = (kind: CabinetKind): Cabinet => ({ kind, ...boxes[kind].cabinet });
