"use client";

import { useMemo } from "react";
import { consequencesOf, faultKey, sayFault, sayHazards, type WiringPlan } from "@/core/wiring";

const rank = { danger: 0, warning: 1, note: 2 } as const;

/** Every single thing that can go wrong with what it would do: by all states of relays, switches and plugs. */
export function Consequences({ plan }: { plan: WiringPlan }) {
  const rows = useMemo(
    () =>
      consequencesOf(plan)
        .map(({ fault, hazards }) => ({ fault, said: sayHazards(hazards, plan) }))
        .sort((a, b) => worstOf(a.said) - worstOf(b.said)),
    [plan],
  );
  const dangers = rows.filter((r) => worstOf(r.said) === 0);
  const others = rows.filter((r) => worstOf(r.said) > 0);
  return (
    <div className="grid gap-4">
      <p className="max-w-prose">
        One thing wrong at a time, in every state of relays, switch and plugs. Insulation, earth, residual-current
        protection, fuse and cut-out are there because of these. Two at once are not looked at.
      </p>
      <List title="Dangerous" rows={dangers} plan={plan} />
      <List title="It stops, trips or shows itself" rows={others} plan={plan} />
    </div>
  );
}

type Said = ReturnType<typeof sayHazards>;
const worstOf = (said: Said): number => Math.min(3, ...said.map((s) => rank[s.severity]));

interface ListProps {
  title: string;
  rows: { fault: Parameters<typeof sayFault>[0]; said: Said }[];
  plan: WiringPlan;
}

function List({ title, rows, plan }: ListProps) {
  // What does the same is said once.
  const groups = new Map<string, ListProps["rows"]>();
  for (const row of rows) {
    const key = row.said.map((s) => s.text).join(" ");
    groups.set(key, [...(groups.get(key) ?? []), row]);
  }
  return (
    <section className="grid gap-2" aria-label={title}>
      <h4 className="text-lg">{title}</h4>
      <ul className="grid max-w-prose gap-2">
        {[...groups].map(([does, same]) => (
          <li key={does} className={`border-l-4 pl-3 ${worstOf(same[0]!.said) === 0 ? "border-error" : "rule-line"}`}>
            {same.map(({ fault }) => (
              <strong key={faultKey(fault)} className="block">
                {sayFault(fault, plan).is}.
              </strong>
            ))}
            {does || "Nothing dangerous by itself."}
          </li>
        ))}
      </ul>
    </section>
  );
}
