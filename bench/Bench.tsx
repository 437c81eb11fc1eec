"use client";

import { Printer } from "lucide-react";
import Link from "next/link";
import { useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { tryEdits } from "@/core/chamber";
import { stations, type Change, type ChamberRecord, type Edit, type Station } from "@/core/model";
import {
  judgedName,
  planLike,
  planRough,
  planSentence,
  unitsOf,
  type Metrics,
  type Plan,
  type StageResult,
  type Trial,
} from "@/core/trial";
import type { Scale } from "@/core/quantity";
import type { Remedy, Verdict } from "@/core/verdict";
import { Contained, singleKey } from "@/parts/common";
import { Drafts } from "@/parts/fields";
import {
  chamberById,
  changeChamber,
  editChamber,
  sayRefused,
  setPreferences,
  settle,
  trialDaysOf,
  useWorkshop,
} from "@/workshop";
import { Announcer } from "./Announcer";
import { BenchBar } from "./BenchBar";
import {
  ActionsContext,
  ChamberContext,
  RangeContext,
  TrialContext,
  type BenchActions,
  type BenchChamber,
  type BenchTrial,
  type PinnedTrial,
} from "./context";
import { FirstMoment } from "./FirstMoment";
import { NewDefaults } from "./NewDefaults";
import { StagePicker } from "./StagePicker";
import { stationInfo } from "./stations";
import { ChamberName } from "./ChamberName";
import { stationTable } from "./stationTable";
import { useRange, type RangeHold } from "./useRange";
import { useEffects, useTrial, type LiveTrial } from "./useTrial";
import { useTrialSize } from "./useTrialSize";
import { useNarrow, useTyping } from "./useViewport";

interface Props {
  record: ChamberRecord;
  station: Station;
  onStation: (station: Station) => void;
}

/** The bench of one chamber: path, station, band ruler, trial. */
export function Bench({ record: stored, station, onStation }: Props) {
  const preferences = useWorkshop((s) => s.preferences);
  const { scale, singleKeys } = preferences;
  const [trying, setTrying] = useState<{
    remedy: Remedy;
    record: ChamberRecord;
    on: ChamberRecord;
    before: Trial | null;
  } | null>(null);
  // A remedy on trial belongs to the record it was tried on; every other edit, an undo too, lets go of it.
  const attempt = trying?.on === stored ? trying : null;
  const asked = attempt?.record ?? stored;
  const { ask, ...live } = useTrial(asked, trialDaysOf(preferences, stored), scale);
  const shown = useMemo(() => shownOf(asked, live.known, live.failed !== null), [asked, live.known, live.failed]);
  const effects = useEffects(live);
  const [kept, setKept] = useState<PinnedTrial | null>(null);
  const ghost = useGhost(live.answer?.trial ?? null, kept?.trial ?? attempt?.before ?? null);
  const [size, setSize] = useTrialSize();
  const [near, setNear] = useState(true);
  const narrow = useNarrow();
  const typing = useTyping();
  const main = useRef<HTMLElement>(null);
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    document.title = `${stored.name}: ${size === "full" ? "trial" : stationInfo[station].name} · Gentle Crock`;
  }, [stored.name, station, size]);

  const apply = useCallback(
    (edits: Edit[], label: string, merge?: string) => {
      setTrying(null);
      const refused = editChamber(stored.id, edits, label, merge);
      const edited = chamberById(stored.id);
      if (edited) ask(edited);
      return refused;
    },
    [stored.id, ask],
  );
  const change = useCallback(
    (made: Change, label: string, merge?: string) => {
      setTrying(null);
      const refused = changeChamber(stored.id, made, label, merge);
      // A button that puts something in has no place of its own to say it.
      if (refused?.code === "tooMany") sayRefused(refused);
      const edited = chamberById(stored.id);
      if (edited) ask(edited);
      return refused;
    },
    [stored.id, ask],
  );
  const go = useCallback(
    (next: Station) => {
      onStation(next);
      main.current?.scrollTo(0, 0);
      window.scrollTo(0, 0);
      // From the path the hand goes on along the path; from anywhere else it begins where the station begins.
      if (!document.activeElement?.closest("nav")) heading.current?.focus({ preventScroll: true });
    },
    [onStation],
  );

  const [stageId, onStage] = useState<string | null>(null);
  const [unitId, onUnit] = useState<string | null>(null);
  // What the actions below need to know of now; they themselves stay the same.
  const now = useRef({ stored, live, attempt, scale });
  useEffect(() => {
    now.current = { stored, live, attempt, scale };
  });
  const actions = useMemo(
    (): BenchActions => ({
      onStage,
      onUnit,
      apply,
      change,
      keepTrial: (held) => {
        const { of, answer } = now.current.live;
        setKept(
          held && of && answer
            ? { trial: held, record: of.record, name: nameOf(answer.plan, now.current.scale) }
            : null,
        );
      },
      tryRemedy: (remedy) => {
        const on = now.current.stored;
        const next = tryEdits(on, remedy.edits);
        if (next.ok) setTrying({ remedy, record: next.value, on, before: now.current.live.answer?.trial ?? null });
      },
      keepRemedy: (remedy = now.current.attempt?.remedy) => {
        if (remedy) apply(remedy.edits, remedy.label.toLowerCase());
      },
      dropRemedy: () => setTrying(null),
    }),
    [apply, change],
  );
  const onBench = { ...singleKey, enabled: singleKeys && size !== "full" };
  useHotkeys(
    stations.map((s) => String(stationInfo[s].number)),
    (_, { keys: pressed }) => {
      const found = stations.find((s) => String(stationInfo[s].number) === pressed?.join(""));
      if (found) go(found);
    },
    onBench,
  );
  const always = { ...singleKey, enabled: singleKeys };
  useHotkeys("t", () => setSize(size === "full" ? "open" : "full"), always);
  useHotkeys("u", () => setPreferences({ scale: scale === "C" ? "F" : "C" }), always);

  // What has not been looked at yet, from here on and then from the beginning.
  const index = stations.indexOf(station);
  const next = [...stations.slice(index + 1), ...stations.slice(0, index)].find((s) => !stored.settled.includes(s));
  const settled = stored.settled.includes(station);
  const chamber = useMemo(() => shown && chamberOf(shown, stageId, unitId), [shown, stageId, unitId]);
  const range = useRange(live);
  const trial = useShown({ live, effects, kept, trying: attempt?.remedy ?? null }, stageId, unitId);
  if (!chamber) return <FirstMoment name={stored.name} />;
  const { record } = chamber;
  const { screen: Screen, aside: Aside, dock: Dock } = stationTable[station];
  return (
    <BenchContexts chamber={chamber} trial={trial} range={range} actions={actions}>
      <div className="tiny:block tiny:h-auto tiny:overflow-visible grid h-dvh grid-cols-1 grid-rows-[auto_1fr_auto] overflow-hidden">
        {!(narrow && typing) && (
          <div inert={size === "full"}>
            <BenchBar station={station} onStation={go} />
          </div>
        )}
        <div
          inert={size === "full"}
          className={`desk:grid-rows-1 tiny:block grid min-h-0 grid-cols-1 ${Aside ? "desk:grid-cols-[212px_1fr] grid-rows-[auto_1fr]" : ""}`}
        >
          {Aside && (
            <aside aria-label="Band ruler" className="rule-line desk:border-r desk:p-1 hand:border-b min-h-0">
              <Contained name="the ruler">
                <Aside />
              </Contained>
            </aside>
          )}
          <main ref={main} className="desk:px-8 desk:py-5 tiny:overflow-visible min-h-0 overflow-y-auto px-4 py-4">
            <div className="mx-auto grid max-w-4xl grid-cols-1 gap-6 pb-8">
              <div>
                <h1 className="sr-only">
                  {record.name}: {stationInfo[station].name}
                </h1>
                {narrow && (
                  <Drafts of={record.id}>
                    <ChamberName record={record} />
                  </Drafts>
                )}
                <h2 id="station" ref={heading} tabIndex={-1} className="outline-none desk:text-3xl text-2xl">
                  {stationInfo[station].asks}
                </h2>
              </div>
              {station === "settings" && stored.settled.length === 0 && (
                <p className="max-w-prose">
                  These numbers follow from what you have said so far; the trial below has tried them. What next: go
                  along the stations and see whether the rest is as yours is.{" "}
                  <button type="button" className="key mt-1" onClick={() => go("job")}>
                    Begin with the job
                  </button>
                </p>
              )}
              <NewDefaults />
              <StagePicker />
              <Drafts of={`${record.id}/${chamber.stage.id}/${chamber.controller.id}`}>
                <Screen />
              </Drafts>
              <div className="border-base-content flex flex-wrap items-center gap-3 border-t-2 pt-4">
                <button
                  type="button"
                  className="key key-strong"
                  onClick={() => {
                    settle(stored.id, station, true);
                    if (next) go(next);
                  }}
                >
                  {next ? `This is right: on to ${stationInfo[next].name}` : "This is right"}
                </button>
                {(station === "settings" || !next) && (
                  <Link href={`/card?c=${stored.id}`} className="key">
                    <Printer size={18} aria-hidden /> Print the card for the door
                  </Link>
                )}
                {settled && (
                  <button type="button" className="key" onClick={() => settle(stored.id, station, false)}>
                    Not settled after all
                  </button>
                )}
              </div>
            </div>
          </main>
        </div>
        {Dock && !(narrow && typing) && (
          <Dock size={size} onSize={setSize} ghost={ghost} near={near} onNear={setNear} narrow={narrow} />
        )}
        <Announcer verdict={live.busy ? undefined : trial.verdicts[0]} />
      </div>
    </BenchContexts>
  );
}

/**
 * The record on show with its plan: as worked out in the worker, or, until that has come, without measuring anew. Where
 * no trial of it can be run its fields stand all the same.
 */
function shownOf(
  asked: ChamberRecord,
  known: LiveTrial["known"],
  failed: boolean,
): { record: ChamberRecord; plan: Plan } | null {
  if (known?.record === asked) return known;
  const like = known && planLike(asked, known.plan);
  if (like) return { record: asked, plan: like };
  return failed ? { record: asked, plan: planRough(asked) } : known;
}

function BenchContexts({
  chamber,
  trial,
  range,
  actions,
  children,
}: {
  chamber: BenchChamber;
  trial: BenchTrial;
  range: RangeHold;
  actions: BenchActions;
  children: ReactNode;
}) {
  return (
    <ActionsContext.Provider value={actions}>
      <ChamberContext.Provider value={chamber}>
        <TrialContext.Provider value={trial}>
          <RangeContext.Provider value={range}>{children}</RangeContext.Provider>
        </TrialContext.Provider>
      </ChamberContext.Provider>
    </ActionsContext.Provider>
  );
}

/** The stage and the controller of a plan that are looked at; the first ones where those are not there. */
function lookedAt(plan: Plan, stageId: string | null, unitId: string | null) {
  const stagePlan = plan.stages.find((s) => s.id === stageId) ?? plan.stages[0]!;
  const units = unitsOf(plan, stagePlan);
  const unitPlan = units.find((u) => u.controller.id === unitId) ?? units[0]!;
  const { control, controller } = unitPlan;
  return {
    chamber: plan.chamber,
    stage: stagePlan.stage,
    stagePlan,
    unitPlan,
    controller,
    unit: controller.unit,
    control,
  };
}

const chamberOf = (
  { record, plan }: { record: ChamberRecord; plan: Plan },
  stageId: string | null,
  unitId: string | null,
): BenchChamber => ({ record, plan, ...lookedAt(plan, stageId, unitId) });

/** What is on show of the trial, as one thing that changes only when something of it does. */
function useShown(
  { live, effects, kept, trying }: Pick<BenchTrial, "live" | "effects" | "kept" | "trying">,
  stageId: string | null,
  unitId: string | null,
): BenchTrial {
  const { answer, of: asked, known, busy, failed, count, round, again } = live;
  return useMemo((): BenchTrial => {
    const shown = { answer, of: asked, known, busy, failed, count, round, again };
    const rest = { live: shown, effects, kept, trying, verdicts: answer?.verdicts ?? NO_VERDICTS };
    if (!answer || !asked) return { ...rest, of: null, result: null, metrics: null, calm: null, judged: "product" };
    const looked = lookedAt(answer.plan, stageId, unitId);
    const result = answer.trial.stages.find((r) => r.id === looked.stage.id) ?? null;
    const first = answer.trial.stages[0]?.metrics[0]?.judged;
    const heldIn = (of: StageResult | null | undefined): Metrics | null =>
      of?.metrics.find((m) => m.judged === looked.control.holds) ?? of?.metrics[0] ?? null;
    return {
      ...rest,
      of: { ...looked, record: asked.record },
      result,
      metrics: heldIn(result),
      calm: heldIn(answer.calm.find((r) => r.id === looked.stage.id)),
      judged: first ? judgedName(first, looked.chamber.vessels) : looked.stage.of,
    };
  }, [answer, asked, known, busy, failed, count, round, again, effects, kept, trying, stageId, unitId]);
}
const NO_VERDICTS: Verdict[] = [];

/** What a kept trial is called: what its first unit does. */
const nameOf = (plan: Plan, scale: Scale): string =>
  planSentence(unitsOf(plan, plan.stages[0]!)[0]!, scale).slice(0, 2).join(" ");

/** The trial before the present one; while a remedy is being tried, the one it is compared with. */
function useGhost(trial: Trial | null, pinned: Trial | null): Trial | null {
  const [pair, setPair] = useState<{ now: Trial | null; before: Trial | null }>({ now: null, before: null });
  if (trial !== pair.now) setPair({ now: trial, before: pair.now });
  const before = pinned ?? pair.before;
  return before && trial && before.days === trial.days ? before : null;
}
