"use client";

import { boardMaterials, carriedBy } from "@/core/carry";
import { isBought } from "@/core/chamber";
import type { Build } from "@/core/model";
import { measures, printMeasure, printNumber } from "@/core/quantity";
import { measureKind, plainKind, Select } from "@/parts/fields";
import { useActions, useChamber, usePreferences } from "../../context";
import { Fields } from "../../Fields";
import { ValueField } from "../../ValueField";

/** What carries the load once the glass is out: stress, sag, the least that does. */
export function Carry() {
  const { chamber } = useChamber();
  const { apply } = useActions();
  const { system } = usePreferences();
  const { build, cabinet } = chamber;
  const { load, now, least, edge, span } = carriedBy(chamber);
  const material = boardMaterials[build.boardMaterial];
  const short = (m: number) => printMeasure(Math.round(m * 1e4) / 1e4, measures.thickness, system);
  const kg = (m: number) => printMeasure(Math.round(m), measures.mass, system);
  const percent = Math.round((now.stress / now.stressMost) * 100);
  const set = (field: "boardMaterial" | "boardEdges", value: string) =>
    apply([{ section: "build", field, value } as never], "board");
  return (
    <section className="grid gap-4" aria-label="What carries it">
      <p className="max-w-prose text-lg" aria-live="polite">
        {kg(load.mass)} on a board of {short(build.boardThickness)} over{" "}
        {printMeasure(Math.round(span * 100) / 100, measures.length, system)}:{" "}
        {now.holds ? (
          <strong>it carries that.</strong>
        ) : (
          <strong className="text-error">it does not carry that.</strong>
        )}{" "}
        It sags {short(now.sag)} at once
        {now.sagLater > now.sag * 1.01 ? ` and some ${short(now.sagLater)} after months` : ""}, where{" "}
        {short(now.sagMost)} is the most; it is bent to {percent} % of what is allowed with{" "}
        {printNumber(build.boardSafety, 0.1)} times the strength in reserve.
      </p>
      <p className="flex max-w-prose flex-wrap items-center gap-3">
        {least ? (
          <>
            <span>
              The least that is sold and does: <strong>{short(least.thickness)}</strong>.
            </span>
            {Math.abs(least.thickness - build.boardThickness) > 1e-6 && (
              <button
                type="button"
                className="key"
                onClick={() =>
                  apply(
                    [{ section: "build", field: "boardThickness", value: least.thickness }],
                    "thickness of the board",
                  )
                }
              >
                Take that
              </button>
            )}
          </>
        ) : (
          <span>None that it is sold in carries that: another material, four edges, or less on it.</span>
        )}
      </p>
      <Fields
        title="The board or plate"
        note={`${material.origin}${material.certain === "estimate" ? ": an estimate" : " (from memory)"}; wood that stays loaded sags on. Each of the two edges takes ${kg(edge)}.${isBought(cabinet.kind) ? " The rails of glass shelves are made for less: let it reach down to the floor on legs. Sheet metal over a compressor carries nothing." : ""}`}
      >
        <Select
          label="Of what"
          value={build.boardMaterial}
          options={(Object.keys(boardMaterials) as Build["boardMaterial"][]).map((value) => ({
            value,
            label: boardMaterials[value].label,
          }))}
          onChoose={(value) => set("boardMaterial", value)}
        />
        <ValueField
          at={{ section: "build", field: "boardThickness" }}
          label="Thickness of the board"
          kind={measureKind(measures.thickness, system)}
          value={build.boardThickness}
        />
        <Select
          label="It lies on"
          value={build.boardEdges}
          options={[
            { value: "two", label: "Two edges, left and right" },
            { value: "four", label: "All four edges" },
          ]}
          onChoose={(value) => set("boardEdges", value)}
        />
        <ValueField
          at={{ section: "build", field: "boardSafety" }}
          label="So many times stronger than it need be"
          kind={plainKind("times", 0.5)}
          value={build.boardSafety}
          hint="3 is usual: somebody leans on it one day."
        />
      </Fields>
    </section>
  );
}
