"use client";

import dynamic from "next/dynamic";
import { midSentence } from "@/core/quantity";
import { excludes, verdictKey, type Effect, type Remedy, type Verdict } from "@/core/verdict";
import { OwnWay } from "./OwnWay";
import { useActions, useShownTrial } from "./context";

/** Loaded with the first verdict that no remedy cures. */
const NoCure = dynamic(() => import("./NoCure").then((m) => m.NoCure), { ssr: false });

/** What the numbers that are keyed in could have to do with: of these a search over all of them has the last word. */
const ofSettings: readonly Verdict["id"][] = [
  "leaves-band",
  "chasing",
  "may-chase",
  "short-cycling",
  "heater-too-weak",
  "cold-too-weak",
  "never-arrives",
  "one-sided",
];
const mayBeOfSettings = ({ id, severity }: Verdict): boolean =>
  (severity === "danger" || severity === "warning") && ofSettings.includes(id);

/** Remedies that cannot be kept beside this one, in words. */
function insteadOf(remedy: Remedy, useful: readonly Effect[]): string {
  const others = useful.filter((e) => e.remedy.id !== remedy.id && excludes(e.remedy, remedy));
  if (others.length === 0) return "";
  return ` Instead of it, not beside it: ${others.map((e) => midSentence(e.remedy.label)).join("; ")}.`;
}

/** A verdict with its evidence, and its remedies with the effect that each has been found to have. */
export function VerdictView({ verdict }: { verdict: Verdict }) {
  const { effects, trying } = useShownTrial();
  const { tryRemedy, keepRemedy } = useActions();
  const weighed = effects[verdictKey(verdict)];
  // What cures comes first; what brings another trouble with it, last.
  const useful = weighed
    ?.filter((e) => e.cures || !e.harms)
    .sort((a, b) => Number(b.cures) - Number(a.cures) || Number(a.harms) - Number(b.harms));
  const cured = useful?.some((e) => e.cures && !e.harms) ?? false;
  const settings = mayBeOfSettings(verdict) && !cured && !trying;
  return (
    <div className="grid gap-2">
      <p className="max-w-prose">{verdict.text}</p>
      {verdict.remedies.length > 0 && !trying && (
        <ul className="grid gap-2">
          {!weighed && <li className="quiet">Weighing what would help …</li>}
          {useful?.length === 0 && !settings && <li className="quiet">None of the usual remedies helps here.</li>}
          {useful?.map(({ remedy, text, cures }) => (
            <li key={remedy.id} className="rule-line border-t pt-2">
              <p>
                <strong>{remedy.label}.</strong> {text}
                {!cures && " It helps, but does not cure it."}
                {insteadOf(remedy, useful)}
              </p>
              <div className="mt-1 flex gap-2">
                <button type="button" className="key" onClick={() => tryRemedy(remedy)}>
                  Try it
                </button>
                <button type="button" className="key key-strong" onClick={() => keepRemedy(remedy)}>
                  Keep it
                </button>
              </div>
            </li>
          ))}
        </ul>
      )}
      {verdict.limit && <OwnWay verdict={verdict} />}
      {settings && (weighed ?? verdict.remedies.length === 0) && <NoCure verdict={verdict} />}
    </div>
  );
}
