import type { Edit, LoadedVessel } from "../model";
import {
  COLD_BELOW,
  COME_UP,
  COUNTS_ABOVE,
  COUNTS_FROM,
  HOT_ABOVE,
  meets,
  modelOf,
  printFigure,
  type ProductLimit,
  type ProductObservable,
} from "../product";
import { atFirst, inDegrees } from "../quantity";
import { ruleOf } from "../safety";
import { bandEdits } from "../program";
import { milder } from "./milder";
import type { Case, Finding, Rule } from "./types";
import { vesselWords as whose, words } from "./words";

/** The figures of a vessel's product with their course over the trial. */
function coursesOf({ trial, chamber }: Case, vessel: LoadedVessel) {
  const index = chamber.vessels.indexOf(vessel);
  const { trace, finishedAt } = trial;
  // Once its program is done somebody takes it out: what would become of it in there is nobody's.
  const counted = finishedAt === null ? trace.bins : Math.max(1, Math.ceil((finishedAt - trace.from) / trace.width));
  return modelOf(vessel.product).observables.flatMap((figure) => {
    const course = trial.trace.figures.find((f) => f.index === index && f.name === figure.name);
    const limit = figure.limit?.(vessel.product) ?? null;
    return course && limit ? [{ figure, limit, values: course.values.subarray(0, counted) }] : [];
  });
}

/** Start of the bin in which something is so for the first time, s; null: never. */
function firstWhen({ trial: { trace } }: Case, values: Float32Array, so: (value: number) => boolean): number | null {
  const bin = values.findIndex((v) => Number.isFinite(v) && so(v));
  return bin < 0 ? null : trace.from + bin * trace.width;
}

const sentence = (c: Case, { label, unit }: ProductObservable, value: number, limit: ProductLimit): string => {
  const at = (v: number) => printFigure(v, unit, c.scale);
  const side = limit.side === "atMost" ? "no more than" : "at least";
  return `${label}: ${at(value)}, where ${side} ${at(limit.value)} is the limit (${limit.says}).`;
};

/** A limit of a product that is passed in the trial. */
export const limitPassed: Rule = (c) =>
  c.chamber.vessels.flatMap((vessel): Finding[] =>
    coursesOf(c, vessel)
      .filter(({ limit }) => !limit.aim)
      .flatMap(({ figure, limit, values }): Finding[] => {
        const moment = firstWhen(c, values, (v) => !meets(v, limit));
        if (moment === null) return [];
        const worst = values.reduce(
          (all, v) => (!Number.isFinite(v) || (limit.side === "atMost" ? v <= all : v >= all) ? all : v),
          limit.value,
        );
        return [
          {
            id: `limit-${figure.name}`,
            about: vessel.id,
            severity: ruleOf(vessel.product.kind, figure.name)?.weighs ?? "warning",
            station: "job",
            title: `${whose(c, vessel)}${atFirst(figure.label)} past its limit`,
            text: [
              `${atFirst(sentence(c, figure, worst, limit))} It passes it on ${words(c).when(moment)}.`,
              inDegrees(ruleOf(vessel.product.kind, figure.name)?.text ?? "", c.scale),
            ]
              .join(" ")
              .trim(),
            moment,
            remedies: milder(c, vessel, moment),
            limit: true,
          },
        ];
      }),
  );

/** A core that takes longer through the warm than is advised, and not yet too long. */
export const slowComeUp: Rule = (c) =>
  c.chamber.vessels.flatMap((vessel): Finding[] => {
    const course = coursesOf(c, vessel).find(({ figure }) => figure.name === "comeUp");
    if (!course) return [];
    const hours = Math.max(...course.values.filter(Number.isFinite));
    if (hours <= COME_UP.advised || hours > COME_UP.latest) return [];
    return [
      {
        id: "slow-come-up",
        about: vessel.id,
        severity: "warning",
        station: "job",
        title: `${whose(c, vessel)}The core warms slowly`,
        text: `It takes ${printFigure(hours, "hours", c.scale)} to ${words(c).at(COUNTS_FROM)} at the core; ${COME_UP.advised} h are advised, ${COME_UP.latest} h are the latest. A thinner piece, or one that is not frozen, is through sooner.`,
        moment: null,
        remedies: [
          {
            id: "thinner",
            label: "Cut it half as thick",
            edits: [{ section: "product", field: "thickness", id: vessel.id, value: vessel.product.thickness / 2 }],
          },
        ],
      },
    ];
  });

/** What is aimed for is not reached before the trial ends. */
export const notReady: Rule = (c) =>
  c.chamber.vessels.flatMap((vessel): Finding[] => {
    const short = coursesOf(c, vessel).filter(
      ({ limit, values }) => limit.aim && !meets(values.findLast((v) => Number.isFinite(v)) ?? NaN, limit),
    );
    if (short.length === 0) return [];
    // What is not in yet has no figure.
    if (!short.some(({ values }) => values.some(Number.isFinite)))
      return [
        {
          id: "not-ready",
          about: vessel.id,
          severity: "note",
          station: "job",
          title: `${whose(c, vessel)}Not put in within ${words(c).within}`,
          text: "Nothing can be said of it in this trial: a longer trial shows its course, or put it in sooner.",
          moment: null,
          remedies: [],
        },
      ];
    return [
      {
        id: "not-ready",
        about: vessel.id,
        severity: "note",
        station: "job",
        title: `${whose(c, vessel)}Not ready within ${words(c).within}`,
        text: `${short
          .map(({ figure, limit, values }) => {
            const at = (v: number) => printFigure(v, figure.unit, c.scale);
            const last = values.findLast((v) => Number.isFinite(v))!;
            return `${atFirst(figure.label)} ${at(last)}; ${at(limit.value)} is wanted (${limit.says}).`;
          })
          .join(" ")} An estimate of its course; a longer trial shows more.`,
        moment: null,
        remedies: [],
      },
    ];
  });

/** A sausage that sours where no limit is known: too cold for degree-hours, which is no pass. */
export const noLimitKnown: Rule = (c) =>
  c.chamber.vessels.flatMap((vessel): Finding[] => {
    if (vessel.product.kind !== "sausage") return [];
    const pH = coursesOf(c, vessel).find(({ figure }) => figure.name === "pH");
    const highest = c.trial.whole.find((m) => m.judged === vessel.id)?.whole.product.high ?? Infinity;
    if (!pH || highest > COUNTS_ABOVE || meets(pH.values.find(Number.isFinite) ?? 0, pH.limit)) return [];
    const { at } = words(c);
    return [
      {
        id: "no-limit-known",
        about: vessel.id,
        severity: "warning",
        station: "job",
        title: `${whose(c, vessel)}No limit is known for so cold a start`,
        limit: true,
        text: `Degree-hours count above ${at(COUNTS_ABOVE)}; it never gets there. That is no pass: nothing says how long it may take to pH 5.3 in the cold. Sour it warm first, or ask those who decide where you are.`,
        moment: null,
        remedies: [],
      },
    ];
  });

/** Nobody has said what is held at a temperature at which germs grow in moist food. */
export const heldUnknown: Rule = (c) =>
  c.chamber.vessels.flatMap((vessel): Finding[] => {
    const { kind, holds } = vessel.product;
    if (kind !== "hold" || holds !== "unknown") return [];
    const warm = c.chamber.stages.some((s) => s.low < HOT_ABOVE && s.high > COLD_BELOW);
    if (!warm) return [];
    const { at } = words(c);
    const say = (value: "noFood" | "keeps" | "moist", label: string) => ({
      id: `holds-${value}`,
      label,
      edits: [{ section: "product", field: "holds", id: vessel.id, value } as Edit],
    });
    return [
      {
        id: "held-unknown",
        about: vessel.id,
        severity: "note",
        station: "job",
        title: `${whose(c, vessel)}Nobody has said what it holds`,
        text: `Between ${at(COLD_BELOW)} and ${at(HOT_ABOVE)} moist food may stay for four hours in all, and no longer (Food Code, from memory). Nothing is said here about whether that is so.`,
        moment: null,
        remedies: [
          say("noFood", "It is nothing to eat"),
          say("keeps", "It keeps by itself: dry, sour, salted or sugared enough"),
          say("moist", "It is moist food"),
        ],
      },
    ];
  });

/** A bath that never brings the core to where anything is counted. */
export const tooCoolToKill: Rule = (c) =>
  c.chamber.vessels.flatMap((vessel): Finding[] => {
    if (vessel.product.kind !== "bath") return [];
    const core = coreOf(c, vessel);
    if (!core || core.some((t) => t >= COUNTS_FROM)) return [];
    const { at } = words(c);
    return [
      {
        id: "too-cool-to-kill",
        about: vessel.id,
        severity: "warning",
        station: "job",
        title: `${whose(c, vessel)}Nothing is pasteurised`,
        limit: true,
        text: `The core never reaches ${at(COUNTS_FROM)}. Below it nothing is counted and nothing is claimed: eat it within hours of its cooking, or hold the bath at ${at(55)} or more.`,
        moment: null,
        remedies: [
          {
            id: "hold-56",
            label: `Hold the bath at ${at(56)} to ${at(58)}`,
            edits: bandEdits(c.chamber.controllers, c.stage.id, 56, 58),
          },
        ],
      },
    ];
  });

const coreOf = ({ trial, chamber }: Case, vessel: LoadedVessel): Float32Array | undefined =>
  trial.trace.figures.find((f) => f.index === chamber.vessels.indexOf(vessel) && f.name === "core")?.values;
