"use client";

import { keyOfUnit, netlistOf, pinsOnPaper, sayMarked, type WiringPlan } from "@/core/wiring";
import { TextField } from "@/parts/fields";
import { useActions } from "../../context";

const LONGEST = 24;

/** Names of the unit's terminals as they stand on its own paper; generic ones until then. */
export function TerminalNames({ plan }: { plan: WiringPlan }) {
  const { change } = useActions();
  const net = netlistOf(plan);
  const generic = { pins: net.pins, plan: { ...plan, names: {} } };
  const put = (terminal: string, name: string) => {
    const key = keyOfUnit(plan.unit, terminal);
    change((r) => {
      const { [key]: _old, ...rest } = r.work.names;
      return { ...r, work: { ...r.work, names: name ? { ...rest, [key]: name } : rest } };
    }, "name of a terminal");
    return null;
  };
  return (
    <div className="grid gap-3">
      <p className="max-w-prose">
        Take them from the paper of your own unit: its drawing decides, not this one. They then stand in the list, in
        the tests and on paper.
      </p>
      <div className="grid max-w-3xl gap-3 sm:grid-cols-2">
        {pinsOnPaper(net).map((id) => (
          <TextField
            key={id}
            label={sayMarked(id, generic)}
            value={plan.names[id] ?? ""}
            most={LONGEST}
            onCommit={(name) => put(id, name)}
          />
        ))}
      </div>
    </div>
  );
}
