"use client";

import { Download, Maximize, MoveHorizontal, Pin, PinOff, ZoomIn, ZoomOut } from "lucide-react";
import { useCallback, useMemo, useRef, useState } from "react";
import type { Chamber, Happening, HappeningKind } from "@/core/model";
import { printMoment } from "@/core/quantity";
import { stageName } from "@/core/program";
import { judgedName, layerLabel, type Channel, type TraceLayer, type Trace, type Trial } from "@/core/trial";
import { download } from "@/parts/common";
import { Drafts } from "@/parts/fields";
import { isWhole, panned, TraceChart, zoomed, type View } from "@/parts/trace";
import { useActions, useChamber, usePreferences, useShownTrial } from "../context";
import { hasProgram } from "../hasProgram";
import { VerdictList } from "../VerdictList";
import { GraceTable } from "./GraceTable";
import { Happenings, useNewHappening } from "./Happenings";
import { layerKey, Layers } from "./Layers";
import { Sized } from "./Sized";
import { WorstMoment } from "./WorstMoment";
import { AirLane } from "./AirLane";
import { ProductLanes } from "./ProductLanes";
import { StagePicker } from "../StagePicker";
import { wholeOf } from "./figures";
import { TrialFigures } from "./TrialFigures";
import { useAlarms } from "./useAlarms";
import { useDevices } from "./useDevices";
import { useOtherVessels } from "./useOtherVessels";
import { useStretch } from "./useStretch";
import { Strip } from "./Strip";

interface Props {
  trial: Trial;
  ghost: Trial | null;
  near: boolean;
}

const endOf = (h: Happening): number | null =>
  "lasting" in h ? (h.lasting > 0 ? h.at + h.lasting : Number.MAX_SAFE_INTEGER) : null;

/** A line of a kept trial may be of something that is no longer there. */
function known({ kind, index }: Pick<TraceLayer, "kind" | "index">, chamber: Chamber): boolean {
  if (kind === "heater") return index < chamber.heaters.length;
  if (kind === "cold") return index < chamber.coolers.length;
  if (kind === "vessel" || kind === "shell") return index < chamber.vessels.length;
  return kind !== "watch" || index < chamber.probes.length;
}

/** The trial on the whole screen: zoom, pan, cursor, layers, happenings, a kept trial beside it, its figures as a file. */
export function FullTrial({ trial, ghost, near }: Props) {
  const { record, chamber, stage } = useChamber();
  const { result, metrics, live, verdicts, judged, kept } = useShownTrial();
  const { keepTrial } = useActions();
  const preferences = usePreferences();
  const { scale } = preferences;
  const end = trial.days * 86_400;
  const [chosen, setView] = useState<View | null>(null);
  const view = chosen && chosen.to <= end + 1 && !isWhole(chosen, end) ? chosen : null;
  const whole = useMemo(() => ({ from: 0, to: end }), [end]);
  const now = view ?? whole;
  const [at, setAt] = useState<number | null>(null);
  const [armed, setArmed] = useState<HappeningKind | null>(null);
  const [shown, setShown] = useState<Channel[]>(["product", "probe", "air", "room"]);
  const [extra, setExtra] = useState<string[]>([]);
  const [beside, setBeside] = useState(false);
  const of = live.of;
  const stretch = useStretch(of?.record ?? null, of?.days ?? 7, view);
  const keptStretch = useStretch(view && kept ? kept.record : null, kept?.trial.days ?? 7, view);
  const trace = stretch ?? trial.trace;
  const chart = useRef<HTMLElement>(null);
  const place = useNewHappening();
  const put = useCallback(
    (kind: HappeningKind, moment: number) => {
      place(kind, moment);
      setArmed(null);
    },
    [place],
  );
  const moment = Math.min(end, Math.max(0, at ?? (now.from + now.to) / 2));
  const others = useOtherVessels(trace);
  const named = (t: Trace) =>
    t.layers.filter((l) => known(l, chamber)).map((l) => ({ ...l, label: layerLabel(l, chamber) }));
  // Further vessels are shown until they are turned off, all else once it is turned on.
  const otherKeys = others.map(layerKey);
  const flipped = (keys: readonly string[]) => [
    ...keys.filter((k) => !otherKeys.includes(k)),
    ...otherKeys.filter((k) => !keys.includes(k)),
  ];
  const layers = named(trace).filter((l) => flipped(extra).includes(layerKey(l)));
  const channels: { value: Channel; label: string }[] = [
    { value: "product", label: judged },
    { value: "probe", label: "probe" },
    { value: "reading", label: "display" },
    ...(judged === "air" ? [] : [{ value: "air" as const, label: "air" }]),
    { value: "room", label: "room" },
  ];
  const lines = channels.map((c) => c.value).filter((c) => shown.includes(c));
  const alarms = useAlarms();
  const devices = useDevices();
  const several = chamber.stages.length > 1;
  const common = {
    startHour: trial.startHour,
    bands: trial.bands,
    // Their names stand in the strip above.
    stageNames: chamber.stages.map(() => ""),
    alarms,
    scale,
    near,
    arrival: trial.metrics.timeToBand,
    startsAt: chamber.program.startsAt,
    view: now,
    end,
    judged,
    shown: lines,
    ...devices,
  };
  const marks = record.happenings.map((h) => ({ at: h.at, to: endOf(h) }));
  const tool = "key border-transparent px-2";
  return (
    <div className="grid content-start gap-4 p-3 md:p-5">
      <div className="flex flex-wrap items-center gap-1">
        <button
          type="button"
          className={tool}
          aria-label="Zoom in"
          onClick={() => setView(zoomed(now, 0.5, moment, end))}
        >
          <ZoomIn size={20} aria-hidden />
        </button>
        <button
          type="button"
          className={tool}
          aria-label="Zoom out"
          onClick={() => setView(zoomed(now, 2, moment, end))}
        >
          <ZoomOut size={20} aria-hidden />
        </button>
        <button
          type="button"
          className={tool}
          disabled={!view}
          aria-label="Earlier"
          onClick={() => setView(panned(now, -(now.to - now.from) / 2, end))}
        >
          ‹ earlier
        </button>
        <button
          type="button"
          className={tool}
          disabled={!view}
          aria-label="Later"
          onClick={() => setView(panned(now, (now.to - now.from) / 2, end))}
        >
          later ›
        </button>
        <button type="button" className={tool} disabled={!view} onClick={() => setView(null)}>
          <Maximize size={18} aria-hidden /> whole trial
        </button>
        <span className="quiet px-2" aria-live="polite">
          <MoveHorizontal size={16} className="mr-1 inline" aria-hidden />
          {view
            ? `${printMoment(now.from, trial.startHour)} to ${printMoment(now.to, trial.startHour)}`
            : "the whole trial"}
        </span>
        <span className="grow" />
        <button type="button" className="key" onClick={() => keepTrial(kept ? null : trial)}>
          {kept ? <PinOff size={18} aria-hidden /> : <Pin size={18} aria-hidden />}
          {kept ? "Let go of the kept trial" : "Keep this trial to compare"}
        </button>
        {kept && (
          <button
            type="button"
            className={`key ${beside ? "key-strong" : ""}`}
            aria-pressed={beside}
            onClick={() => setBeside(!beside)}
          >
            Side by side
          </button>
        )}
        <button
          type="button"
          className="key"
          onClick={() =>
            // The package that writes it comes with its first use.
            void import("@/core/formats").then(({ traceCsv }) =>
              download(
                `trial-${record.name.replace(/[^\p{L}\p{N}]+/gu, "-")}.csv`,
                traceCsv(trace, chamber, scale),
                "text/csv",
              ),
            )
          }
        >
          <Download size={18} aria-hidden /> CSV
        </button>
      </div>
      <div className={beside && kept ? "grid gap-3 xl:grid-cols-2" : ""}>
        {beside && kept && (
          <figure>
            <figcaption className="font-semibold">Kept: {kept.name}</figcaption>
            <Sized className="h-[46vh] min-h-72">
              {(width, h) => (
                <TraceChart
                  {...common}
                  trace={keptStretch ?? kept.trial.trace}
                  ghost={null}
                  width={width}
                  height={h}
                  moment={null}
                  layers={named(keptStretch ?? kept.trial.trace).filter((l) => flipped(extra).includes(layerKey(l)))}
                  onView={setView}
                  at={at}
                  onAt={setAt}
                />
              )}
            </Sized>
          </figure>
        )}
        <figure ref={chart}>
          {beside && kept && <figcaption className="font-semibold">Now</figcaption>}
          {hasProgram(chamber.stages) && (
            <Sized className="h-[44px]">{(total) => <Strip trial={trial} view={now} total={total} />}</Sized>
          )}
          <Sized className="h-[46vh] min-h-72">
            {(width, h) => (
              <TraceChart
                {...common}
                trace={trace}
                ghost={kept ? (keptStretch ?? kept.trial.trace) : (ghost?.trace ?? null)}
                width={width}
                height={h}
                moment={verdicts[0]?.moment ?? null}
                layers={layers}
                happenings={marks}
                onView={setView}
                onPick={(t) => armed && put(armed, t)}
                at={at}
                onAt={setAt}
              />
            )}
          </Sized>
        </figure>
      </div>
      <AirLane trace={trace} view={now} />
      <ProductLanes trial={trial} trace={trace} view={now} />
      <Layers
        channels={channels}
        layers={named(trial.trace).map((l) => ({ key: layerKey(l), label: l.label }))}
        shown={shown}
        extra={flipped(extra)}
        onShown={setShown}
        onExtra={(next) => setExtra(flipped(next))}
      />
      <div className="grid grid-cols-1 gap-8 lg:grid-cols-2">
        <div className="grid content-start gap-6">
          <Drafts of={record.id}>
            <Happenings
              moment={moment}
              armed={armed}
              onArm={(kind) => {
                setArmed(kind);
                // What is clicked on next has to be in sight.
                if (kind) chart.current?.scrollIntoView({ block: "nearest" });
              }}
              onPlace={put}
            />
          </Drafts>
          <GraceTable />
        </div>
        <div className="grid content-start gap-6 max-lg:order-first">
          <VerdictList />
        </div>
        <section className="grid content-start gap-2">
          <h3 className="text-lg">
            {several ? "The whole program" : "Figures"}
            {trial.whole.length > 1
              ? `, for ${judgedName(trial.metrics.judged, chamber.vessels)}, which fares worst`
              : ""}
            {kept ? ", against the kept trial" : ""}
          </h3>
          <TrialFigures
            of={wholeOf(trial)}
            scale={scale}
            judged={judgedName(trial.metrics.judged, chamber.vessels)}
            before={kept ? wholeOf(kept.trial) : null}
          />
        </section>
        {several && (
          <section className="grid content-start gap-2" aria-label="This stage in figures">
            <h3 className="text-lg">
              {stageName(chamber.stages, stage.id)} alone
              {metrics && result && result.metrics.length > 1
                ? `, for ${judgedName(metrics.judged, chamber.vessels)}`
                : ""}
            </h3>
            <StagePicker plain />
            {metrics && result ? (
              <>
                <p className="quiet">
                  From {printMoment(result.from, trial.startHour)} to {printMoment(result.to, trial.startHour)}.
                </p>
                <TrialFigures
                  of={{ metrics, seconds: metrics.seconds }}
                  scale={scale}
                  judged={judgedName(metrics.judged, chamber.vessels)}
                />
              </>
            ) : (
              <p className="quiet">The trial does not come to this stage.</p>
            )}
          </section>
        )}
        <section className="grid content-start gap-1">
          <h3 className="text-lg">Three hours at the worst moment</h3>
          <WorstMoment trial={trial} className="h-64" />
        </section>
      </div>
    </div>
  );
}
