import { addController, addProbe, addStage, addVessel, newChamber } from "@/core/chamber";
import {
  type Change,
  applyEdits,
  type ChamberRecord,
  type Edit,
  type Happening,
  type SectionName,
  type Station,
} from "@/core/model";
import { celsius, kelvins } from "@/core/quantity";

/** When the demo's records were written; they are invented, and so is their date. Each is a minute after the one before. */
const written = (minute: number) => `2026-10-03T17:${40 + minute}:00.000Z`;
const HOUR = 3600;

type Values = Partial<Record<SectionName, Record<string, unknown>>>;

/** One chamber of the mill from its values. */
function chamber(
  minute: number,
  id: string,
  name: string,
  values: Values,
  settled: Station[],
  more: { job?: string; happenings?: Happening[]; change?: Change } = {},
): ChamberRecord {
  const edits = Object.entries(values).flatMap(([section, fields]) =>
    Object.entries(fields).map(([field, value]) => ({ section, field, value }) as Edit),
  );
  const record = applyEdits(newChamber(`demo-${id}`, name, written(minute)), edits);
  const { change = (r) => r, happenings = [], job = null } = more;
  return { ...change(record), demo: true, settled, happenings, job };
}

const cellar = (low = 9, high = 17) => ({ low: celsius(low), high: celsius(high), warmestHour: 16 });
const band = (low: number, high: number, of?: "air" | "product") => ({
  low: celsius(low),
  high: celsius(high),
  ...(of ? { of } : {}),
});
const degrees = celsius;

/** A second unit that switches nothing: it watches the room and calls when the cellar gets too warm. */
const withWatcher: Change = (r) => {
  const watching = addController(addProbe(r));
  return applyEdits(watching, [
    { section: "probe", field: "place", id: "p2", value: "room" },
    { section: "unit", field: "name", id: "u2", value: "Cellar watch" },
    { section: "settings", field: "lowAlarm", id: "u2", value: degrees(4) },
    { section: "settings", field: "highAlarm", id: "u2", value: degrees(24) },
  ]);
};

/** Some jars beside the pails: they clear sooner, and are not to get as warm. */
const withJars: Change = (r) =>
  applyEdits(addVessel(r), [
    { section: "vessel", field: "form", id: "v2", value: "jar" },
    { section: "vessel", field: "count", id: "v2", value: 8 },
    { section: "vessel", field: "volume", id: "v2", value: 0.0004 },
    { section: "product", field: "kind", id: "v2", value: "honey" },
    { section: "band", field: "low", id: "v2", value: degrees(37) },
    { section: "band", field: "high", id: "v2", value: degrees(45) },
  ]);

/** The rests of the mash: each is over once the mash has had its temperature for so long. */
const withRests: Change = (r) => {
  const rest = (id: string, name: string, low: number, high: number, minutes: number): Edit[] => [
    { section: "stage", field: "name", id, value: name },
    { section: "stage", field: "low", id, value: degrees(low) },
    { section: "stage", field: "high", id, value: degrees(high) },
    {
      section: "stage",
      field: "ends",
      id,
      value: [
        {
          kind: "reaches",
          observable: { of: "vessel", id: "v1", name: "temperature" },
          comparison: "atLeast",
          // A controller that switches lets it wander: a degree below the band still counts.
          value: low - 1,
          heldFor: minutes * 60,
        },
      ],
    },
  ];
  return applyEdits(addStage("s2")(addStage("s1")(r)), [
    ...rest("s1", "Protein rest", 50, 54, 15),
    ...rest("s2", "Maltose rest", 62, 65, 40),
    ...rest("s3", "Sugar rest", 69, 72, 20),
  ]);
};

/** Hollin Mill: a made-up shared cellar kitchen in an old watermill. */
export const hollinMill = (): ChamberRecord[] => [
  chamber(
    0,
    "larder-cabinet",
    "Larder cabinet, rye saison",
    {
      product: {
        kind: "farmhouse",
        originalGravity: 1.056,
        finalGravity: 1.005,
        packetLow: degrees(21),
        packetHigh: degrees(27),
      },
      stage: band(22.5, 25),
      vessel: { volume: 0.025, startTemperature: degrees(23) },
      room: cellar(),
      cabinet: { height: 1.42, width: 0.55, depth: 0.58 },
      heater: { power: 60 },
      probe: { place: "air" },
    },
    ["job", "box", "heat"],
  ),
  chamber(
    1,
    "picnic-box",
    "Picnic box, black-bean and barley tempeh",
    {
      cabinet: { kind: "foam", height: 0.38, width: 0.6, depth: 0.42, insulation: 0.025 },
      product: { kind: "tempeh" },
      stage: band(29.5, 33),
      vessel: { volume: 0.0016, startTemperature: degrees(28) },
      room: cellar(16, 21),
      heater: { power: 40 },
      unit: { kind: "heatOnly" },
    },
    ["job", "box"],
  ),
  chamber(
    2,
    "warm-cupboard",
    "Warm cupboard, heather honey in small pails",
    {
      cabinet: { kind: "warmBox", height: 0.9, width: 0.55, depth: 0.5 },
      build: { shelfAt: 0.38 },
      product: { kind: "honey", set: "set", hmf: 8, diastase: 22 },
      stage: band(39, 44),
      vessel: { form: "pail", count: 6, volume: 0.005, filling: "setHoney", startTemperature: degrees(14) },
      room: cellar(11, 18),
      heater: { kind: "lamp", power: 80 },
      unit: { kind: "cutOut" },
    },
    ["job"],
    { job: "honey", change: withJars },
  ),
  chamber(
    3,
    "stockpot",
    "Stockpot bath, duck legs",
    {
      cabinet: { kind: "crock", height: 0.26, width: 0.3, bath: 0.008 },
      product: { kind: "bath", meat: "poultry", shape: "chunk", thickness: 0.06 },
      stage: band(67, 69),
      vessel: { volume: 0.0011, startTemperature: degrees(6) },
      room: cellar(17, 20),
      heater: { kind: "immersion", power: 400 },
      unit: { kind: "heatOnly" },
    },
    [],
  ),
  chamber(
    4,
    "smokehouse",
    "Brick smokehouse, trout",
    {
      cabinet: { kind: "brick", height: 1.7, width: 0.85, depth: 0.85 },
      product: { kind: "smoke", meat: "fish", shape: "slab", thickness: 0.035, doneAt: degrees(65) },
      stage: band(72, 82, "air"),
      vessel: { filling: "fish", volume: 0.0035, count: 2, startTemperature: degrees(6) },
      room: { ...cellar(3, 11), warmestHour: 14 },
      heater: { power: 6000, fuel: 9 },
      unit: { kind: "cutOut", differentialHigh: kelvins(15) },
    },
    ["job", "box"],
    { job: "smoke", happenings: [{ id: "demo-lid", kind: "door", at: 5 * HOUR, lasting: 240 }] },
  ),
  chamber(
    5,
    "curing-cabinet",
    "Curing cabinet, venison sausage",
    {
      cabinet: { kind: "wine", height: 1.2, width: 0.55, depth: 0.57, fan: true },
      // Soured before it hangs here.
      product: { kind: "sausage", startPh: 5.2, sugar: 0, thickness: 0.045, water: 0.62, salt: 0.027 },
      stage: { ...band(11, 14), humidity: 0.83 },
      vessel: {
        volume: 0.0008,
        count: 8,
        startTemperature: degrees(16),
      },
      room: cellar(),
      unit: {
        kind: "twoDifferentials",
        name: "Cellar unit",
        enter: "hold the grey button until the number blinks",
        leave: "wait until it stops blinking",
        pause: "saves",
        labels: {
          setpoint: { label: "Aim", position: 1 },
          coolingDifferential: { label: "Above", position: 2 },
          heatingDifferential: { label: "Below", position: 3 },
        },
      },
    },
    ["job", "box", "heat", "probe"],
    {
      job: "cure",
      happenings: [{ id: "demo-cut", kind: "powerCut", at: 80 * HOUR, lasting: 9 * HOUR }],
      change: withWatcher,
    },
  ),
  chamber(
    6,
    "mash-kettle",
    "Kettle, stepped mash of the rye saison",
    {
      cabinet: { kind: "kettle", height: 0.42, width: 0.38 },
      product: { kind: "mash" },
      stage: band(62, 65),
      vessel: { volume: 0.03, startTemperature: degrees(20) },
      room: cellar(12, 19),
      heater: { power: 2200 },
      unit: { kind: "heatOnly" },
    },
    [],
    { job: "mash", change: withRests },
  ),
];
