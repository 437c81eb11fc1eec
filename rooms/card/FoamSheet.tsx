import { nest, panelsOf } from "@/core/foam";
import type { Chamber } from "@/core/model";
import { measures, printMeasure, type UnitSystem } from "@/core/quantity";
import { Cuts, CutTable } from "@/parts/fit";

interface Props {
  name: string;
  chamber: Chamber;
  system: UnitSystem;
}

/** The cut list of a foam box for the bench: every piece, and how they lie on the sheets. */
export function FoamSheet({ name, chamber: { cabinet, build }, system }: Props) {
  const panels = panelsOf(cabinet, build);
  const foam = nest(
    panels.filter((p) => p.of === "foam"),
    build,
  );
  const long = (m: number) => printMeasure(Math.round(m * 1000) / 1000, measures.thickness, system);
  return (
    <>
      <h2 className="border-b border-black pb-[1mm] text-[1.5em]">{name}: foam box</h2>
      <p className="my-[2mm]">
        Outside {long(cabinet.width)} × {long(cabinet.depth)} × {long(cabinet.height)} high, walls{" "}
        {long(cabinet.insulation)}. {foam.sheets.length} {foam.sheets.length === 1 ? "sheet" : "sheets"} of{" "}
        {long(build.sheetLength)} × {long(build.sheetWidth)}; each cut takes {long(build.kerf)}. Measure the sheet
        before the first cut.
      </p>
      <CutTable panels={panels} system={system} />
      {foam.tooLarge.length > 0 && (
        <p className="font-semibold">No sheet takes {foam.tooLarge.map((p) => p.name.toLowerCase()).join(", ")}.</p>
      )}
      <div className="mt-[3mm]">
        <Cuts
          nested={foam}
          sheet={{ length: build.sheetLength, width: build.sheetWidth }}
          across={330}
          system={system}
        />
      </div>
      <p className="mt-[2mm]">
        Glue without solvent, or it eats the foam. It softens near 75 °C and burns: no bare heater against it.
      </p>
    </>
  );
}
