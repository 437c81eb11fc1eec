import { hasLid } from "@/core/chamber";
import { placeLabel } from "@/core/probe";
import { controllerName, stageName } from "@/core/program";
import { celsius, printTemperature, type Scale } from "@/core/quantity";
import { cautionsAt } from "@/core/safety";
import type { Plan, StageResult } from "@/core/trial";
import { whatIsNormal, type Verdict } from "@/core/verdict";
import { CardAlarms } from "./CardAlarms";
import { CardProgram } from "./CardProgram";
import { CardUnit } from "./CardUnit";
import { ScaleTable } from "./ScaleTable";

interface FaceProps {
  name: string;
  plan: Plan;
  /** How its stages go while all is well. */
  calm: readonly StageResult[];
  verdicts: readonly Verdict[];
  scale: Scale;
}

/** All that stands on the card. */
export function CardFace({ name, plan, calm, verdicts, scale }: FaceProps) {
  const { chamber, stages } = plan;
  const wrong = verdicts.filter((v) => v.severity === "danger");
  const show = (t: number, resolution = 0.1) => printTemperature(celsius(t), scale, resolution);
  const probes = cautionsAt("card")[0];
  const lid = hasLid(chamber.cabinet.kind);
  const several = stages.length > 1;
  const low = Math.min(...stages.map((s) => s.stage.low));
  const high = Math.max(...stages.map((s) => s.stage.high));
  const own = chamber.vessels.filter((v) => v.band);
  const normal = stages.flatMap((s) => {
    const lines = whatIsNormal({ plan, scale }, calm.find((r) => r.id === s.id)?.metrics ?? []);
    return lines.length && several ? [`${stageName(chamber.stages, s.id)}: ${lines.join(" ")}`] : lines;
  });
  return (
    <div className="grid gap-[1.6mm]">
      <header className="flex items-baseline justify-between gap-2 border-b-2 border-black pb-[1mm]">
        <h2 className="text-[1.6em] leading-tight">{name}</h2>
        <p className="shrink-0">
          {show(low)} to {show(high)}
        </p>
      </header>
      {wrong.length > 0 && (
        <p className="border-2 border-black px-[1mm]">
          <strong>Not in order yet.</strong> The trial says: {wrong.map((v) => v.title.toLowerCase()).join("; ")}.
        </p>
      )}
      {own.length > 0 && (
        <p>
          {own.map((v) => (
            <span key={v.id}>
              Vessel {chamber.vessels.indexOf(v) + 1}: {show(v.band!.low)} to {show(v.band!.high)}.{" "}
            </span>
          ))}
        </p>
      )}
      {several && <CardProgram plan={plan} scale={scale} />}
      {chamber.controllers.map((_, c) => (
        <CardUnit key={chamber.controllers[c]!.id} plan={plan} index={c} />
      ))}
      {normal.length > 0 && (
        <section>
          <h3 className="text-[1.1em]">{wrong.length > 0 ? "What it will do" : "What is normal"}</h3>
          {normal.map((line) => (
            <p key={line}>{line}</p>
          ))}
        </section>
      )}
      <section>
        <h3 className="text-[1.1em]">When the alarm sounds</h3>
        <CardAlarms plan={plan} lid={lid} />
        <p>
          <strong>
            First of all:{" "}
            {chamber.controllers.length > 1 ? "are the probes in their places" : "is the probe in its place"}?
          </strong>{" "}
          {chamber.controllers
            .map((c) => {
              const probe = chamber.probes.find((p) => p.id === c.probes[0])!;
              const of = chamber.controllers.length > 1 ? `${controllerName(chamber, c.id)}: ` : "";
              return `${of}${placeLabel(probe.place, chamber.cabinet)}.`;
            })
            .join(" ")}{" "}
          {probes?.text}
        </p>
      </section>
      <section>
        <h3 className="sr-only">Temperatures in both scales</h3>
        <ScaleTable low={low} high={high} />
      </section>
      <footer className="border-t border-black/40 pt-[0.5mm] text-[1em] print:text-[0.85em]">
        Unplug before you open anything. A steady temperature is no proof of safety.
      </footer>
    </div>
  );
}
