"use client";

import { keyOfUnit, sayTerminal, unitTerminals, type WiringPlan } from "@/core/wiring";
import { TextField } from "@/parts/fields";
import { useActions } from "../../context";

const LONGEST = 24;

/** Names of the unit's terminals as they stand on its own paper; generic ones until then. */
export function TerminalNames({ plan }: { plan: WiringPlan }) {
  const { change } = useActions();
  const generic = { ...plan, names: {} };
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
        {unitTerminals(plan).map((terminal) => (
          <TextField
            key={terminal}
            label={sayTerminal(terminal, generic)}
            value={plan.names[terminal] ?? ""}
            most={LONGEST}
            onCommit={(name) => put(terminal, name)}
          />
        ))}
      </div>
    </div>
  );
}
