"use client";

import type { Edit } from "@/core/model";
import type { WiringPlan } from "@/core/wiring";
import { Select } from "@/parts/fields";
import { useActions } from "../../context";
import { residualKinds } from "./choices";
import type { ProofStore } from "./proofStore";

/** Nothing is measured under voltage without residual-current protection that was tried. */
export function BeforeLive({ plan, store }: { plan: WiringPlan; store: ProofStore }) {
  const { apply } = useActions();
  const { residual } = plan.wiring;
  const there = residual === "r30" || residual === "r5";
  return (
    <div className="grid max-w-prose gap-2">
      <Select
        label="Residual-current protection before it (RCD, GFCI)"
        value={residual}
        options={residualKinds}
        onChoose={(value) =>
          apply([{ section: "wiring", field: "residual", value } as Edit], "residual-current protection")
        }
      />
      {there ? (
        <label className="flex min-h-11 items-start gap-3 py-2">
          <input
            type="checkbox"
            className="accent-base-content mt-0.5 h-5 w-5 shrink-0"
            checked={store.done("residual")}
            onChange={() => store.tick("residual")}
          />
          <span>I pressed its test button, and it tripped.</span>
        </label>
      ) : (
        <p>
          {residual === "none"
            ? "No live test without one: plug it into a socket or an adapter that has one, and say so here."
            : "Find out first: look for a test button at the socket or in the fuse box."}
        </p>
      )}
    </div>
  );
}
