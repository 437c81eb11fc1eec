import * as z from "zod";
import { probePlaces, sectionShapes, settingsShape, stations, type SectionName } from "@/core/model";
import { channels } from "@/core/trial";
import type { Call } from "./schemas";

const celsius = z.number().describe("°C");
const kelvins = z.number().describe("K");
const seconds = z.number().describe("s");
const share = z.number().min(0).max(1);
const joules = z.number().describe("J");
const text = z.string();
const texts = z.array(z.string());
const said = z.strictObject({ C: text, F: text }).describe("In °C and in °F");
/** A number that may be without end: JSON has no infinity. */
const endless = z.number().nullable();

const settings = z.strictObject(settingsShape);
const points = z.strictObject({ heatOn: celsius, heatOff: celsius, coldOn: celsius, coldOff: celsius });
const question = z.strictObject({ id: text, field: z.enum(Object.keys(settingsShape)), text });

const sections = Object.keys(sectionShapes) as SectionName[];
const edit = z
  .strictObject({
    section: z.enum(sections),
    field: z.string(),
    id: z.string().optional().describe("Entry of a list; the first where nothing is said."),
    stage: z.string().optional().describe("Of a setting: the stage."),
    value: z.unknown().optional().describe("Without a value the default is put back."),
  })
  .describe("One change of one value of a chamber.");
const edits = z.array(edit);

const line = z.array(endless);
const lines = z.strictObject(
  Object.fromEntries(channels.map((c) => [c, line])) as Record<(typeof channels)[number], typeof line>,
);
const trace = z.strictObject({
  bins: z.int(),
  from: seconds,
  width: seconds.describe("Width of a bin, s"),
  low: lines.describe("Lowest of each line, bin by bin, °C"),
  high: lines.describe("Highest of each line, bin by bin, °C"),
  layers: z.array(z.strictObject({ kind: text, index: z.int(), low: line, high: line })),
  figures: z
    .array(z.strictObject({ index: z.int(), name: text, values: line }))
    .describe("What can be seen of the product in each vessel, at the end of each bin, in its own unit"),
  humidity: z
    .strictObject({ usual: z.array(share), low: z.array(share), high: z.array(share) })
    .nullable()
    .describe(
      "Relative humidity of the air, 0 to 1: on average in each bin as is usual, lowest and highest over what is estimated. Null: it is as typed",
    ),
  heat: z.array(share).describe("Share of each bin that the heat was on"),
  cold: z.array(share),
  alarm: z.array(share),
});

const kilograms = z.number();
const moisture = z.strictObject({
  breathed: kilograms.describe("In with the room's air; below 0: out"),
  given: kilograms.describe("By what dries by its own law"),
  fromWet: kilograms,
  humidified: kilograms,
  dehumidified: kilograms,
  absorbed: kilograms,
  drained: kilograms,
  surfaces: z.array(
    z.strictObject({
      on: z.enum(["lining", "cooler", "vessel"]),
      index: z.int(),
      area: z.number().describe("m²"),
      most: kilograms,
      mostIce: kilograms,
      wetFor: seconds,
      left: kilograms,
    }),
  ),
  mouldFor: seconds.describe("Above 80 % at the inner wall"),
  of: seconds,
  electric: z.number().describe("Of humidifier and dehumidifier, J"),
});

const span = z.strictObject({ low: celsius, high: celsius, lowAt: seconds, highAt: seconds });
const usual = z.strictObject({ run: seconds, rest: seconds.nullable() }).nullable();
const energy = [
  "heater",
  "fire",
  "product",
  "evaporated",
  "fan",
  "defrost",
  "vapour",
  "brought",
  "cold",
  "lost",
  "stored",
  "cooler",
  "melted",
];
const metrics = z.strictObject({
  stage: text.nullable().describe("Null: the whole program"),
  judged: text.describe("A vessel's id, or air"),
  from: seconds,
  seconds,
  timeToBand: seconds.nullable().describe("s; null: it never gets there"),
  putIn: seconds.describe("s from the beginning until it was put in; 0: it was there"),
  inBand: share,
  arrived: z.strictObject({ product: span, probe: span, air: span }).nullable(),
  arriving: span.nullable(),
  settled: z.strictObject({ product: span, probe: span, air: span, reading: span, productMean: celsius }).nullable(),
  whole: z.strictObject({ product: span, air: span, reading: span }),
  heatDuty: share,
  coldDuty: share,
  heatDutyLastDay: share,
  coldDutyLastDay: share,
  heatStarts: z.int(),
  coldStarts: z.int(),
  coldStartsPerDay: z.number(),
  busiestHour: z.strictObject({ starts: z.int(), from: seconds }),
  shortestRest: seconds.nullable(),
  longestRun: seconds.nullable(),
  usualCold: usual,
  usualHeat: usual,
  reversals: z.strictObject({ count: z.int(), perDay: z.number(), worstFrom: seconds.nullable() }),
  runOn: z.strictObject({ heat: kelvins, cold: kelvins }),
  alarm: z.strictObject({ low: seconds, high: seconds, lowSettled: seconds, highSettled: seconds }),
  controls: z.array(
    z.strictObject({
      id: text,
      lowAlarm: seconds,
      highAlarm: seconds,
      lowSettled: seconds,
      highSettled: seconds,
      runOn: z.strictObject({ heat: kelvins, cold: kelvins }),
    }),
  ),
  devices: z.array(
    z.strictObject({
      id: text,
      starts: z.int(),
      duty: share,
      busiestHour: z.strictObject({ starts: z.int(), from: seconds }),
      shortestRest: seconds.nullable(),
      longestRun: seconds.nullable(),
    }),
  ),
  energy: z.strictObject(Object.fromEntries(energy.map((e) => [e, joules]))),
  fuelOutAt: seconds.nullable(),
  iceGoneAt: seconds.nullable(),
  fuelBurned: z.number().describe("kg"),
  grace: z.array(
    z.strictObject({
      id: text,
      kind: text,
      at: seconds,
      seconds: endless.describe("Hours of grace in s; null: it was outside already, or holds to the end"),
      cold: z.boolean(),
    }),
  ),
});

const verdict = z.strictObject({
  id: text,
  severity: z.enum(["danger", "warning", "note", "good"]),
  station: z.enum(stations),
  title: text,
  text,
  moment: seconds.nullable().describe("Moment of the trial that shows it, s"),
  remedies: z.array(z.strictObject({ id: text, label: text, edits })),
  stage: text.nullable().describe("Of a program with several stages: the one that it is about"),
  limit: z.literal(true).optional().describe("It is about a limit that a person may pass knowingly"),
  about: text.nullable().describe("Vessel, controller or device that it is about, where there are several"),
});
const keyed = z.array(z.strictObject({ id: text, controllers: z.array(z.strictObject({ id: text, settings })) }));

const season = z.strictObject({
  name: z.enum(["coldest", "mild", "hottest"]),
  judged: text.describe("What fares worst: a vessel's id, or air"),
  low: celsius,
  high: celsius,
  band: z.strictObject({ low: celsius, high: celsius, target: celsius }),
  past: kelvins.describe("How far past its band; negative within it"),
  away: kelvins.describe("How far from its target"),
  heldLow: kelvins,
  heldHigh: kelvins,
  coldStartsPerHour: z.number(),
  heatStartsPerHour: z.number(),
  reversalsPerDay: z.number(),
  runOn: z.strictObject({ heat: kelvins, cold: kelvins }).describe("How far the probe ran on after each device, K"),
});
const tradePoint = z.strictObject({
  score: z.strictObject({
    candidate: z.strictObject({ heating: kelvins, cooling: kelvins, shift: kelvins }),
    settings: z.array(settings).describe("Of each controller, in their order"),
    seasons: z.array(season),
    tight: z.boolean().describe("Heat and cold lie closer together than the probe runs on"),
    mostStarts: z
      .number()
      .nullable()
      .describe("Starts of the cooling an hour that it may have; null: as many as it likes"),
    excursion: kelvins.describe("Furthest from the target in any season, K"),
    startsPerDay: z.number().describe("Of all that is switched"),
    starts: z
      .strictObject({ cold: z.number().nullable(), heat: z.number().nullable() })
      .describe("A day, of each; null where it does not switch that"),
    worstReversals: z
      .number()
      .nullable()
      .describe("Of heat and cold a day at the worst that the estimates of the box can be; null: not needed"),
    holds: z.boolean(),
    cost: z.number(),
  }),
  place: z.enum(probePlaces),
  heaterPower: z.number().describe("W"),
  edits: edits.describe("What would have to be changed for it"),
});

/** What comes back from each call. */
export const responses = {
  settings: z.strictObject({
    settings: settings.describe("As keyed in, on the unit's own resolution"),
    advised: settings.describe("As they follow from the band alone"),
    margins: z.strictObject({ heating: kelvins, cooling: kelvins }),
    points,
    switching: z
      .strictObject(Object.fromEntries(["heatOn", "heatOff", "coldOn", "coldOff"].map((p) => [p, celsius.nullable()])))
      .describe("True temperatures at the probe; null for an outlet that is not there"),
    sentence: texts,
    findings: z.array(z.strictObject({ id: text, field: text, text })),
    questions: z.array(question),
    steps: z.array(z.strictObject({ text, value: text })),
    stages: keyed.describe("What is keyed into every controller in every stage"),
  }),
  "read-back": z.strictObject({
    settings,
    band: z.strictObject({ low: celsius, high: celsius, target: celsius }),
    points,
    sentence: texts,
    questions: z.array(question),
  }),
  trial: z.strictObject({
    days: z.number(),
    startHour: z.number(),
    keyed,
    trace,
    metrics: metrics.describe("Of the whole program, for what fares worst in it"),
    stages: z.array(
      z.strictObject({
        id: text,
        from: seconds,
        to: seconds,
        dueAt: seconds.nullable().describe("When an end of it came, s"),
        endedBy: z
          .union([z.int(), z.literal("latest")])
          .nullable()
          .describe("Which of its ends"),
        progress: z.array(share.nullable()),
        metrics: z.array(metrics).describe("One for each thing that its band is for"),
      }),
    ),
    whole: z.array(metrics),
    bands: z.array(z.strictObject({ stage: z.int(), from: seconds, to: seconds, low: celsius, high: celsius })),
    finishedAt: seconds.nullable(),
    heat: z.array(seconds).describe("Starts and stops of the heat in turn, s"),
    cold: z.array(seconds),
    devices: z.array(z.strictObject({ id: text, times: z.array(seconds) })),
    moisture: moisture.nullable().describe("What became of the water in its air, kg. Null: its humidity is as typed"),
  }),
  verdicts: z.strictObject({ verdicts: z.array(verdict) }),
  recommendation: z.strictObject({
    best: tradePoint.nullable(),
    points: z.array(tradePoint),
    present: tradePoint,
    schools: z.array(z.strictObject({ name: text, point: tradePoint })),
    binding: z
      .strictObject({
        season: season.shape.name,
        judged: text,
        text: said,
        relaxations: z.array(z.strictObject({ label: said, edits })),
      })
      .nullable(),
    controllers: texts.describe("Ids of the controllers that the numbers are for"),
    trials: z.int(),
    explanation: texts,
  }),
} as const satisfies Record<Call, z.ZodType>;
