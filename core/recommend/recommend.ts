import { describe, hasCooler, hasHeater, heaterFor, heaterSizes, heatNeeded } from "../chamber";
import { outletsOf, parametersOf, pointsOf, printSetting } from "../controller";
import { applyEdits, probePlaces, type ChamberRecord, type Edit, type ProbePlace, type Settings } from "../model";
import { placeLabel } from "../probe";
import { celsius, kelvins, printDifference, printNumber, printTemperature, type Scale } from "../quantity";
import { planOf, type Plan } from "../trial";
import { MOST_REVERSALS, MOST_STARTS, scoreOf, type Candidate, type Score } from "./score";
import { seasonsOf, type Season, type SeasonName } from "./seasons";

export interface RecommendOptions {
  /** Also look for the place of the probe, and for the size of the heater. */
  probe: boolean;
  heater: boolean;
}

/** A point of the trade-off: what it is, what it costs, what would have to be changed for it. */
export interface TradePoint {
  score: Score;
  place: ProbePlace;
  heaterPower: number;
  edits: Edit[];
}

export interface Recommendation {
  /** Null: nothing satisfies, and `binding` says why. */
  best: TradePoint | null;
  points: TradePoint[];
  present: TradePoint;
  /** The two main schools: equal differentials around the middle, and a small one under the edge. */
  schools: { name: string; point: TradePoint }[];
  /** The demand that binds, and what would free it, in words; null where something satisfies. */
  binding: { season: SeasonName; text: string; frees: Edit[]; freesLabel: string } | null;
  trials: number;
}

export interface Progress {
  done: number;
  of: number;
}

const GRID = 4;
const LEAST = 0.3;
const MOST = 3;
const PATTERN = 7;

/** Places that make sense to look at for the chamber's box. */
const placesOf = (plan: Plan): ProbePlace[] => {
  const { form } = plan.chamber.vessels[0]!;
  const solid = form === "tray" || form === "piece";
  return probePlaces.filter((p) => (solid ? p === "core" || p === "air" : p !== "core" && p !== "waterBottle"));
};

interface Setup {
  plan: Plan;
  seasons: Season[];
  edits: Edit[];
  place: ProbePlace;
  heaterPower: number;
}

/** The chamber as it is and, where asked, with other probe places and heaters. */
function setupsOf(record: ChamberRecord, options: RecommendOptions): Setup[] {
  const plan = planOf(record);
  const present = plan.chamber.probes[0]!.place;
  const places = options.probe ? [...new Set([present, ...placesOf(plan)])] : [present];
  const { power, kind } = plan.chamber.heater;
  const fit = heaterFor(heatNeeded(plan.chamber, plan.ask.target), plan.chamber.cabinet.kind);
  const next = heaterSizes.find((s) => s > fit) ?? fit;
  const powers = options.heater && kind !== "none" ? [...new Set([power, fit, next])] : [power];
  return places.flatMap((place) =>
    powers.map((heaterPower): Setup => {
      const edits: Edit[] = [
        ...(place === present
          ? []
          : ([
              { section: "probe", field: "place", value: place },
              { section: "probe", field: "lag", value: undefined },
              { section: "probe", field: "share", value: undefined },
            ] as Edit[])),
        ...(heaterPower === power ? [] : [{ section: "heater", field: "power", value: heaterPower } as Edit]),
      ];
      const changed = planOf(applyEdits(record, edits));
      return { plan: changed, seasons: seasonsOf(changed.chamber), edits, place, heaterPower };
    }),
  );
}

const settingEdits = (settings: Settings, plan: Plan): Edit[] =>
  parametersOf(plan.chamber.unit)
    .filter(
      (name) =>
        !name.endsWith("Alarm") && !name.endsWith("Deviation") && name !== "offset" && name !== "compressorDelay",
    )
    .map((field) => ({ section: "settings", field, value: settings[field] }) as Edit);

/**
 * Finds settings for a chamber over the worst weather of its room: a log grid of both differentials, then a pattern
 * search around the best; the setpoint's shift follows from the middle of the product's range, twice. A generator, so
 * that a worker can show progress and stop; the same chamber gives the same answer.
 */
export function* recommend(record: ChamberRecord, options: RecommendOptions): Generator<Progress, Recommendation> {
  const setups = setupsOf(record, options);
  const { target } = setups[0]!.plan.ask;
  const perSetup = GRID * GRID + 4 * PATTERN;
  const of = setups.length * perSetup + 3;
  let done = 0;
  let trials = 0;
  const points: TradePoint[] = [];

  const at = (setup: Setup, candidate: Candidate, keyed?: Settings): TradePoint => {
    const { plan, seasons } = setup;
    const cools = hasCooler(plan.chamber) && outletsOf(plan.chamber.unit).cold;
    const score = scoreOf(candidate, plan.chamber, seasons, plan.settings, cools, keyed);
    trials += seasons.length;
    return {
      score,
      place: setup.place,
      heaterPower: setup.heaterPower,
      edits: [...setup.edits, ...settingEdits(score.settings, plan)],
    };
  };
  /** With the shift that puts the product's range around the target. */
  const centred = (setup: Setup, heating: number, cooling: number, shift = 0): TradePoint => {
    let point = at(setup, { heating, cooling, shift });
    for (let k = 0; k < 2; k++) {
      const lows = point.score.seasons.map((s) => s.low);
      const highs = point.score.seasons.map((s) => s.high);
      const off = (Math.min(...lows) + Math.max(...highs)) / 2 - target;
      if (Math.abs(off) < 0.05) break;
      const next = at(setup, { heating, cooling, shift: point.score.candidate.shift - off });
      if (next.score.cost >= point.score.cost) break;
      point = next;
    }
    return point;
  };

  for (const setup of setups) {
    const { plan } = setup;
    const outlets = outletsOf(plan.chamber.unit);
    const both = hasHeater(plan.chamber) && outlets.heat && hasCooler(plan.chamber) && outlets.cold;
    const low = Math.max(LEAST, plan.chamber.unit.differentialLow);
    const step = (i: number) => low * (MOST / low) ** (i / (GRID - 1));
    let best: TradePoint | null = null;
    const consider = (point: TradePoint) => {
      points.push(point);
      const better = !best || rank(point.score) < rank(best.score);
      if (better) best = point;
      return better;
    };
    for (let i = 0; i < GRID; i++)
      for (let k = 0; k < GRID; k++) {
        done++;
        if (!both && i !== k) continue;
        consider(centred(setup, step(i), step(k)));
        yield { done, of };
      }
    let factor = (MOST / low) ** (0.5 / (GRID - 1));
    for (let round = 0; round < PATTERN; round++) {
      const from: Candidate = best!.score.candidate;
      let moved = false;
      const moves: [number, number][] = both
        ? [
            [factor, 1],
            [1 / factor, 1],
            [1, factor],
            [1, 1 / factor],
          ]
        : [
            [factor, factor],
            [1 / factor, 1 / factor],
          ];
      for (const [h, c] of moves) {
        done += 4 / moves.length;
        const heating = Math.min(MOST, Math.max(low, from.heating * h));
        const cooling = Math.min(MOST, Math.max(low, from.cooling * c));
        if (heating === from.heating && cooling === from.cooling) continue;
        moved = consider(centred(setup, heating, cooling, from.shift)) || moved;
        yield { done: Math.min(of, Math.round(done)), of };
      }
      if (!moved) factor = Math.sqrt(factor);
    }
  }

  const [first] = setups;
  const now = pointsOf(first!.plan.settings, first!.plan.chamber.unit);
  // As keyed in: two opposed units need not go off at one reading, so no candidate stands for them.
  const present = at(
    first!,
    { heating: now.heatOff - now.heatOn, cooling: now.coolOn - now.coolOff, shift: now.heatOff - target },
    first!.plan.settings,
  );
  yield { done: of - 1, of };
  const { low, high } = first!.plan.ask;
  const middle = (low + high) / 2;
  const schools = [
    {
      name: "Middle of the band, equal differentials",
      point: at(first!, { heating: middle - low, cooling: high - middle, shift: middle - target }),
    },
    {
      name: "At the edge, one small differential",
      point: at(first!, { heating: 0.5, cooling: Math.max(0.5, high - target - 0.25), shift: 0.25 }),
    },
  ];
  const ranked = [...points].sort((a, b) => rank(a.score) - rank(b.score));
  const best = ranked[0]!.score.holds ? ranked[0]! : null;
  return { best, points, present, schools, binding: best ? null : bindingOf(record, ranked[0]!, options), trials };
}

/** What holds comes before what does not; then the objective. */
const rank = (score: Score): number => score.cost + (score.holds ? 0 : 100);

/** Why nothing satisfies: the season and the end of the band that bind, and what would free it. */
function bindingOf(
  record: ChamberRecord,
  nearest: TradePoint,
  options: RecommendOptions,
): NonNullable<Recommendation["binding"]> {
  const chamber = describe(record);
  const stage = chamber.stages[0]!;
  const { seasons } = nearest.score;
  const worst = [...seasons].sort(
    (a, b) => Math.max(b.high - stage.high, stage.low - b.low) - Math.max(a.high - stage.high, stage.low - a.low),
  )[0]!;
  const over = worst.high - stage.high;
  const under = stage.low - worst.low;
  const warm = over >= under;
  const by = Math.max(over, under);
  const words = {
    coldest: "the coldest room",
    mild: "a mild room with the product\u2019s own heat",
    hottest: "the hottest room",
  };
  const show = (t: number) => printTemperature(celsius(t), chamber.unit.scale);
  const wider = Math.max(0.1, Math.ceil((by + 0.05) * 10) / 10);
  const { place } = chamber.probes[0]!;
  const { form } = chamber.vessels[0]!;
  const better: ProbePlace = form === "tray" || form === "piece" ? "core" : "strapped";
  const blind =
    stage.of === "product" && !options.probe && (place === "air" || place === "waterBottle" || place === "bare");
  const boxed = chamber.cabinet.kind === "crock" || chamber.cabinet.kind === "kettle";
  const chases = seasons.some((s) => s.reversalsPerDay > MOST_REVERSALS || s.startsPerHour > MOST_STARTS);
  return {
    season: worst.name,
    text:
      by > 0.05
        ? `In ${words[worst.name]} the product ${warm ? "rises to" : "sinks to"} ${show(warm ? worst.high : worst.low)} even with the best numbers found: the ${warm ? "warmest" : "coldest"} that you allow (${show(warm ? stage.high : stage.low)}) binds.`
        : chases
          ? "The band is too narrow for the rest that heat and cold need from each other: the margins against chasing bind."
          : "The margins against chasing leave no room within this band.",
    frees:
      blind && !boxed
        ? [
            { section: "probe", field: "place", value: better },
            { section: "probe", field: "lag", value: undefined },
            { section: "probe", field: "share", value: undefined },
          ]
        : [
            warm && by > 0.05
              ? { section: "stage", field: "high", value: celsius(stage.high + wider) }
              : { section: "stage", field: "low", value: celsius(stage.low - wider) },
          ],
    freesLabel:
      blind && !boxed
        ? `Move the probe: ${placeLabel(better, chamber.cabinet).toLowerCase()}`
        : `Allow ${printDifference(kelvins(wider), chamber.unit.scale)} more at the ${warm && by > 0.05 ? "warm" : "cold"} end`,
  };
}

/** What the numbers that were tried and stay nearer to the target fail by. */
function whyNotTighter({ best, points }: Recommendation): string {
  const nearer = points.filter((p) => !p.score.holds && p.score.excursion < best!.score.excursion - 0.02);
  if (nearer.length === 0) return "Nothing that was tried stays nearer to the target";
  const some = (fails: (s: Score["seasons"][number]) => boolean) => nearer.some((p) => p.score.seasons.some(fails));
  const reasons = [
    some((s) => s.reversalsPerDay > MOST_REVERSALS) ? "let heat and cold chase each other" : "",
    some((s) => s.startsPerHour > MOST_STARTS) ? `start more than ${MOST_STARTS} times an hour` : "",
  ].filter(Boolean);
  return `What stays nearer would ${reasons.join(" or ") || "leave too little between heat and cold, which then chase each other"}`;
}

/** The choice in two sentences. */
export function explain(record: ChamberRecord, found: Recommendation, scale: Scale): string[] {
  const { best, present } = found;
  if (!best) return [];
  const { chamber } = planOf(record);
  const say = (name: (typeof switching)[number]) => printSetting(best.score.settings, name, chamber.unit, scale);
  const switching = parametersOf(chamber.unit).filter((n) =>
    ["setpoint", "heatingDifferential", "coolingDifferential", "coldSetpoint", "lowLimit", "highLimit"].includes(n),
  );
  const by = (d: number) => printDifference(kelvins(d), scale, 0.01);
  const change =
    best.place !== chamber.probes[0]!.place
      ? `, the probe ${placeLabel(best.place, chamber.cabinet).toLowerCase()}`
      : "";
  const heater = best.heaterPower !== chamber.heater.power ? `, a heater of ${best.heaterPower}\u00a0W` : "";
  return [
    `With ${switching.map(say).join(" / ")}${change}${heater} the product stays within ${by(best.score.excursion)} of its target in the coldest, a mild and the hottest room, at ${printNumber(best.score.startsPerDay, 1)} starts a day in the worst of them.`,
    `${whyNotTighter(found)}; the present numbers stray ${by(present.score.excursion)} at ${printNumber(present.score.startsPerDay, 1)} starts a day.`,
  ];
}
