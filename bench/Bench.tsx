"use client";

import { Printer } from "lucide-react";
import Link from "next/link";
import { useCallback, useMemo, useRef, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { tryEdits, type Change } from "@/core/chamber";
import { stations, type ChamberRecord, type Edit, type Station } from "@/core/model";
import { judgedName, planLike, planSentence, unitsOf, type Plan, type Trial } from "@/core/trial";
import type { Scale } from "@/core/quantity";
import type { Remedy } from "@/core/verdict";
import { singleKey } from "@/parts/common";
import { BandRuler, FlatRuler } from "@/parts/ruler";
import { chamberById, changeChamber, editChamber, setPreferences, settle, trialDaysOf, useWorkshop } from "@/workshop";
import { Announcer } from "./Announcer";
import { BenchBar } from "./BenchBar";
import { BenchProvider, type BenchContext, type PinnedTrial } from "./context";
import { rulerOf } from "./rulerOf";
import { StagePicker } from "./StagePicker";
import { stationInfo } from "./stations";
import { BoxStation } from "./stations/BoxStation";
import { HeatStation } from "./stations/HeatStation";
import { JobStation } from "./stations/JobStation";
import { ProbeStation } from "./stations/ProbeStation";
import { SettingsStation } from "./stations/SettingsStation";
import type { TrialSize } from "./trial/TrialBar";
import { TrialFailed } from "./trial/TrialFailed";
import { TrialPanel } from "./trial/TrialPanel";
import { useEffects, useTrial, type LiveTrial } from "./useTrial";
import { useNarrow, useTyping } from "./useViewport";

const screens: Record<Station, () => React.ReactNode> = {
  job: JobStation,
  box: BoxStation,
  heat: HeatStation,
  probe: ProbeStation,
  settings: SettingsStation,
};

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
  const shown = useMemo(
    () => shownOf(asked, live.of?.record ?? null, live.answer?.plan ?? null),
    [asked, live.of, live.answer],
  );
  const effects = useEffects(live);
  const [kept, setKept] = useState<PinnedTrial | null>(null);
  const ghost = useGhost(live.answer?.trial ?? null, kept?.trial ?? attempt?.before ?? null);
  const [size, setSize] = useState<TrialSize>("open");
  const [near, setNear] = useState(false);
  const narrow = useNarrow();
  const typing = useTyping();
  const main = useRef<HTMLElement>(null);

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
    },
    [onStation],
  );

  const [stageId, onStage] = useState<string | null>(null);
  const [unitId, onUnit] = useState<string | null>(null);
  const tried = (remedy: Remedy) => {
    const next = tryEdits(stored, remedy.edits);
    if (next.ok) setTrying({ remedy, record: next.value, on: stored, before: live.answer?.trial ?? null });
  };
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
  useHotkeys("t", () => setSize((s) => (s === "full" ? "open" : "full")), always);
  useHotkeys("u", () => setPreferences({ scale: scale === "C" ? "F" : "C" }), always);

  const Screen = screens[station];
  const index = stations.indexOf(station);
  const next = stations[index + 1];
  const settled = stored.settled.includes(station);
  if (!shown) return <FirstMoment name={stored.name} live={live} />;
  const { record, plan } = shown;
  const { chamber } = plan;
  const stagePlan = plan.stages.find((s) => s.id === stageId) ?? plan.stages[0]!;
  const units = unitsOf(plan, stagePlan);
  const unitPlan = units.find((u) => u.controller.id === unitId) ?? units[0]!;
  const trial = live.answer?.trial ?? null;
  const result = trial?.stages.find((r) => r.id === stagePlan.id) ?? null;
  const first = trial?.stages[0]?.metrics[0]?.judged;
  const context: BenchContext = {
    record,
    plan,
    chamber,
    stage: stagePlan.stage,
    stagePlan,
    result,
    onStage,
    unitPlan,
    controller: unitPlan.controller,
    unit: unitPlan.controller.unit,
    control: unitPlan.control,
    onUnit,
    metrics: result?.metrics.find((m) => m.judged === unitPlan.control.holds) ?? result?.metrics[0] ?? null,
    preferences,
    live,
    verdicts: live.answer?.verdicts ?? [],
    effects,
    judged: first ? judgedName(first, chamber.vessels) : stagePlan.stage.of,
    kept,
    keepTrial: (held) =>
      setKept(
        held && live.of && live.answer
          ? { trial: held, record: live.of.record, name: nameOf(live.answer.plan, scale) }
          : null,
      ),
    trying: attempt?.remedy ?? null,
    apply,
    change,
    tryRemedy: tried,
    keepRemedy: (remedy = attempt?.remedy) => {
      if (remedy) apply(remedy.edits, remedy.label.toLowerCase());
    },
    dropRemedy: () => setTrying(null),
  };
  const ruler = rulerOf({ plan, stagePlan, unitPlan }, scale, apply);
  return (
    <BenchProvider.Provider value={context}>
      <div className="grid h-dvh grid-cols-1 grid-rows-[auto_1fr_auto] overflow-hidden">
        {!(narrow && typing) && <BenchBar station={station} onStation={go} />}
        <div className="grid min-h-0 grid-cols-1 grid-rows-[auto_1fr] md:grid-cols-[212px_1fr] md:grid-rows-1">
          <aside aria-label="Band ruler" className="rule-line min-h-0 max-md:border-b md:border-r md:p-1">
            {narrow ? <FlatRuler data={ruler} /> : <BandRuler data={ruler} />}
          </aside>
          <main ref={main} className="min-h-0 overflow-y-auto px-4 py-4 md:px-8 md:py-5">
            <div className="mx-auto grid max-w-4xl grid-cols-1 gap-6 pb-8">
              <div>
                <h1 className="sr-only">
                  {record.name}: {stationInfo[station].name}
                </h1>
                <h2 className="text-2xl md:text-3xl">{stationInfo[station].asks}</h2>
              </div>
              <StagePicker />
              <Screen />
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
                {station === "settings" && (
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
        {!(narrow && typing) && (
          <TrialPanel size={size} onSize={setSize} ghost={ghost} near={near} onNear={setNear} narrow={narrow} />
        )}
        <Announcer verdict={live.busy ? undefined : context.verdicts[0]} />
      </div>
    </BenchProvider.Provider>
  );
}

/** The record on show with its plan: as worked out in the worker, or, until that has come, without measuring anew. */
function shownOf(
  asked: ChamberRecord,
  answered: ChamberRecord | null,
  plan: Plan | null,
): { record: ChamberRecord; plan: Plan } | null {
  if (!answered || !plan) return null;
  if (answered === asked) return { record: asked, plan };
  const like = planLike(asked, plan);
  return like ? { record: asked, plan: like } : { record: answered, plan };
}

/** What a kept trial is called: what its first unit does. */
const nameOf = (plan: Plan, scale: Scale): string =>
  planSentence(unitsOf(plan, plan.stages[0]!)[0]!, scale).slice(0, 2).join(" ");

/** Until the worker has answered for the first time. */
function FirstMoment({ name, live }: { name: string; live: Pick<LiveTrial, "failed" | "again"> }) {
  return (
    <main className="grid gap-2 p-8">
      <h1 className="text-2xl">{name}</h1>
      {live.failed === null ? <p role="status">Working out its settings …</p> : <TrialFailed {...live} />}
    </main>
  );
}

/** The trial before the present one; while a remedy is being tried, the one it is compared with. */
function useGhost(trial: Trial | null, pinned: Trial | null): Trial | null {
  const [pair, setPair] = useState<{ now: Trial | null; before: Trial | null }>({ now: null, before: null });
  if (trial !== pair.now) setPair({ now: trial, before: pair.now });
  const before = pinned ?? pair.before;
  return before && trial && before.days === trial.days ? before : null;
}
