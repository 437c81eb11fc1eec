"use client";

import { Plus, X } from "lucide-react";
import { addController, heatersOn, removeController, splitController } from "@/core/chamber";
import { outletsOf, unitKindTable } from "@/core/controller";
import { controllerName } from "@/core/program";
import { atFirst, midSentence } from "@/core/quantity";
import { useActions, useChamber } from "../context";

/** The controllers of the chamber: one is looked at. Another can be put beside it, or one be split in two. */
export function UnitPicker() {
  const { chamber, controller, unit } = useChamber();
  const { onUnit, change } = useActions();
  const { controllers } = chamber;
  const several = controllers.length > 1;
  const both = outletsOf(unit).heat && outletsOf(unit).cold;
  return (
    <section aria-label="Units" className="grid gap-2">
      {several && (
        <ul className="flex flex-wrap gap-2">
          {controllers.map((c) => {
            const here = c.id === controller.id;
            return (
              <li key={c.id} className="min-w-0 grow basis-[min(12rem,100%)]">
                <button
                  type="button"
                  aria-pressed={here}
                  onClick={() => onUnit(c.id)}
                  className={`grid min-h-14 w-full content-center rounded border px-3 text-left leading-tight ${here ? "border-base-content border-2 font-bold" : "rule-line hover:bg-base-200/60"}`}
                >
                  <span>{atFirst(controllerName(chamber, c.id))}</span>
                  <span className="text-sm font-normal">{midSentence(unitKindTable[c.unit.kind].label)}</span>
                </button>
              </li>
            );
          })}
        </ul>
      )}
      <div className="flex flex-wrap gap-2">
        {controllers.length < 6 && (
          <button type="button" className="key" onClick={() => change(addController, "another unit")}>
            <Plus size={16} aria-hidden /> Another unit
          </button>
        )}
        {both && heatersOn(chamber, controller).length > 0 && controllers.length < 6 && (
          <button
            type="button"
            className="key"
            onClick={() => change(splitController(controller.id), "two opposed units")}
          >
            Two opposed units instead of this one
          </button>
        )}
        {several && (
          <button
            type="button"
            className="key"
            onClick={() => change(removeController(controller.id), `${controllerName(chamber, controller.id)} out`)}
          >
            <X size={16} aria-hidden /> Take {controllerName(chamber, controller.id)} out
          </button>
        )}
      </div>
    </section>
  );
}
