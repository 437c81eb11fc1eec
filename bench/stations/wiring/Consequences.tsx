"use client";

import type { SaidConsequence, WiringPlan } from "@/core/wiring";
import { useWiringFaults } from "../../useWiring";

/** Every single thing that can go wrong with what it would do: by all states of relays, switches and plugs. */
export function Consequences({ plan }: { plan: WiringPlan }) {
  const { answer, current, failed } = useWiringFaults(plan);
  if (failed) return <p role="alert">{failed}</p>;
  if (!answer || !current) return <p aria-live="polite">Working it out …</p>;
  return (
    <div className="grid gap-4">
      <p className="max-w-prose">
        One thing wrong at a time, in every state of relays, switch and plugs. Insulation, earth, residual-current
        protection, fuse and cut-out are there because of these.
      </p>
      <List title="Dangerous" rows={answer.filter((r) => r.danger)} />
      <List title="It stops, trips or shows itself" rows={answer.filter((r) => !r.danger)} />
    </div>
  );
}

function List({ title, rows }: { title: string; rows: SaidConsequence[] }) {
  return (
    <section className="grid gap-2" aria-label={title}>
      <h4 className="text-lg">{title}</h4>
      <ul className="grid max-w-prose gap-3">
        {rows.map(({ faults, does, danger }) => (
          <li key={faults[0]} className={`border-l-4 pl-3 ${danger ? "border-error" : "rule-line"}`}>
            <span className={danger ? "font-semibold" : ""}>{does.join(" ") || "Nothing dangerous by itself."}</span>
            <ul className="list-disc pl-5">
              {faults.map((is) => (
                <li key={is}>{is}.</li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </section>
  );
}
