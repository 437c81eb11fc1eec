"use client";

import Link from "next/link";
import { Printer } from "lucide-react";
import { ventsNeeded } from "@/core/chamber";
import { nest, panelsOf, sizedFor, thicknesses, TOO_LARGE } from "@/core/foam";
import type { Build } from "@/core/model";
import { measures, printDuration, printMeasure, printNumber } from "@/core/quantity";
import { Cuts, CutTable } from "@/parts/fit";
import { measureKind, plainKind, Select } from "@/parts/fields";
import { sayRefused } from "@/workshop";
import { useActions, useChamber, usePreferences } from "../../context";
import { Fields } from "../../Fields";
import { ValueField } from "../../ValueField";

const joints: Record<Build["joint"], string> = {
  butt: "Butted: cut square, glued and taped",
  rebate: "Rebated: a step in one, tighter",
  mitre: "Mitred: at 45°, no edge shows",
};

/** A foam box from its measures to its cut list: panels, sheets, what thickness costs and saves. */
export function FoamBox() {
  const { chamber, record } = useChamber();
  const { apply } = useActions();
  const { system } = usePreferences();
  const { build, cabinet } = chamber;
  const panels = panelsOf(cabinet, build);
  const foam = nest(
    panels.filter((p) => p.of === "foam"),
    build,
  );
  const mm = measureKind(measures.thickness, system);
  const length = measureKind(measures.length, system);
  const short = (m: number) => printMeasure(Math.round(m * 1000) / 1000, measures.thickness, system);
  const tape = panels.filter((p) => p.of === "foam").reduce((sum, p) => sum + 2 * (p.length + p.width), 0) / 2;
  const vents = ventsNeeded(chamber, chamber.stages[0]!);
  const round = (area: number) => short(2 * Math.sqrt(area / Math.PI));
  return (
    <section className="grid gap-4" aria-label="Make it of foam">
      <p className="flex max-w-prose flex-wrap items-center gap-3">
        <span>The smallest box that takes what stands in it, with air around it:</span>
        <button
          type="button"
          className="key"
          onClick={() => {
            const why = apply(sizedFor(chamber), "size of the foam box");
            if (why) sayRefused({ code: "contradiction", at: [], text: TOO_LARGE });
          }}
        >
          Size it for that
        </button>
      </p>
      <Fields
        title="How it is made"
        note="The measures outside and the thickness of the walls stand above. Hot wire or a fine saw; wear a mask, foam dust is fine."
      >
        <Select
          label="Joints"
          value={build.joint}
          options={(Object.keys(joints) as Build["joint"][]).map((value) => ({ value, label: joints[value] }))}
          onChoose={(joint) => apply([{ section: "build", field: "joint", value: joint }], "joints")}
        />
        <ValueField
          at={{ section: "build", field: "lining" }}
          label="Lining inside"
          kind={mm}
          value={build.lining}
          hint="0: bare. A thin sheet can be wiped."
        />
        <ValueField
          at={{ section: "build", field: "lip" }}
          label="Lip under the lid"
          kind={mm}
          value={build.lip}
          hint="0: none."
        />
        <ValueField
          at={{ section: "build", field: "sheetLength" }}
          label="Sheet: length"
          kind={length}
          value={build.sheetLength}
        />
        <ValueField
          at={{ section: "build", field: "sheetWidth" }}
          label="Sheet: width"
          kind={length}
          value={build.sheetWidth}
        />
        <ValueField
          at={{ section: "build", field: "kerf" }}
          label="A cut takes"
          kind={mm}
          value={build.kerf}
          hint="Saw 3 mm, hot wire 1 mm, knife 0."
        />
        <ValueField
          at={{ section: "build", field: "sheetPrice" }}
          label="Price of a sheet"
          kind={plainKind("", 1)}
          value={build.sheetPrice}
          hint="In your own money; 0: not known."
        />
      </Fields>
      <div className="grid gap-2">
        <div className="flex flex-wrap items-center justify-between gap-2">
          <h3 className="text-lg">Cut list</h3>
          <Link href={`/card?c=${record.id}`} className="key">
            <Printer size={16} aria-hidden /> On paper, beside the card
          </Link>
        </div>
        <CutTable panels={panels} system={system} />
        {foam.tooLarge.length > 0 && (
          <p role="alert" className="text-error font-semibold">
            No sheet takes {foam.tooLarge.map((p) => p.name.toLowerCase()).join(", ")}: a larger sheet, or two pieces
            glued edge to edge.
          </p>
        )}
        <p>
          <strong>
            {foam.sheets.length} {foam.sheets.length === 1 ? "sheet" : "sheets"}
          </strong>{" "}
          of {printMeasure(build.sheetLength, measures.length, system)} ×{" "}
          {printMeasure(build.sheetWidth, measures.length, system)} in {short(cabinet.insulation)},{" "}
          {Math.round(foam.waste * 100)} % left over; some {Math.ceil(tape)} m of aluminium tape, foam glue without
          solvent.
        </p>
        <Cuts
          nested={foam}
          sheet={{ length: build.sheetLength, width: build.sheetWidth }}
          across={420}
          system={system}
        />
        <p className="max-w-prose">
          Holes: one of {short(0.012)} for each cable and probe, low at the back, stopped with soft foam
          {vents.more !== null && vents.more > 0
            ? `; two vents of ${round(vents.area)}, one low and one high on opposite sides, for the product\u2019s own heat`
            : ""}
          . Never next to the heater.
        </p>
      </div>
      <Walls />
    </section>
  );
}

/** What each thickness costs and saves. */
function Walls() {
  const { chamber, record } = useChamber();
  const { apply } = useActions();
  const { system } = usePreferences();
  const { build, cabinet } = chamber;
  const short = (m: number) => printMeasure(Math.round(m * 1000) / 1000, measures.thickness, system);
  const list = thicknesses(record);
  const priced = build.sheetPrice > 0;
  return (
    <div className="grid gap-2">
      <h3 className="text-lg">How thick? The same inside in each</h3>
      <div className="overflow-x-auto">
        <table className="text-left">
          <thead>
            <tr className="rule-line border-b">
              {[
                "Wall",
                "Loses",
                "To hold it in the coldest room",
                "A power cut leaves",
                "Sheets",
                ...(priced ? ["Price"] : []),
                "",
              ].map((head) => (
                <th key={head} className="py-1 pr-5 font-semibold">
                  {head || <span className="sr-only">Take it</span>}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {list.map((t) => {
              const here = Math.abs(t.thickness - cabinet.insulation) < 1e-4;
              return (
                <tr key={t.thickness} className={`rule-line border-b ${here ? "bg-base-200 font-semibold" : ""}`}>
                  <td className="py-1 pr-5">{short(t.thickness)}</td>
                  <td className="pr-5">{printNumber(t.loss, 0.01)} W/K</td>
                  <td className="pr-5">{printNumber(t.watts, 1)} W</td>
                  <td className="pr-5">
                    {t.hours === Infinity
                      ? "the room holds it"
                      : t.hours < 1
                        ? printDuration(t.hours * 3600)
                        : `${printNumber(t.hours, t.hours < 10 ? 0.5 : 1)} h`}
                  </td>
                  <td className="pr-5">{t.sheets}</td>
                  {priced && <td className="pr-5">{printNumber(t.price, 1)}</td>}
                  <td>
                    {here ? (
                      "as it is"
                    ) : (
                      <button
                        type="button"
                        className="key my-1"
                        onClick={() => apply(t.edits, "thickness of the walls")}
                      >
                        Take it<span className="sr-only"> with {short(t.thickness)}</span>
                      </button>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <p className="quiet max-w-prose">
        Estimates from the measures; prices by thickness. Foam softens near 75 °C, burns, and dissolves in glue with
        solvent: no bare heater against it.
      </p>
    </div>
  );
}
