"use client";

import { buildNetwork, fitOf, insideOf, lossCoefficient, vesselSize } from "@/core/chamber";
import { measures, printMeasure, printNumber } from "@/core/quantity";
import { cautionsAt } from "@/core/safety";
import { CabinetDrawing } from "@/parts/cabinet";
import { Cautions } from "@/parts/common";
import { clockKind, measureKind, temperatureKind } from "@/parts/fields";
import { useBench } from "../context";
import { Fields } from "../Fields";
import { ValueField } from "../ValueField";

export function BoxStation() {
  const { chamber, preferences } = useBench();
  const { scale, system } = preferences;
  const { cabinet, room } = chamber;
  const length = measureKind(measures.length, system);
  const temperature = temperatureKind(scale, 0.1, 0.5);
  const fit = fitOf(cabinet, chamber.vessels[0]!);
  const inside = insideOf(cabinet);
  const size = vesselSize(chamber.vessels[0]!);
  const long = (m: number) => printMeasure(Math.round(m * 100) / 100, measures.length, system);
  return (
    <>
      <div className="flex flex-wrap gap-6">
        <div className="grid grow basis-80 content-start gap-6">
          <Fields title="The upright cabinet, outside">
            <ValueField
              at={{ section: "cabinet", field: "height" }}
              label="Height"
              kind={length}
              value={cabinet.height}
            />
            <ValueField at={{ section: "cabinet", field: "width" }} label="Width" kind={length} value={cabinet.width} />
            <ValueField at={{ section: "cabinet", field: "depth" }} label="Depth" kind={length} value={cabinet.depth} />
            <ValueField
              at={{ section: "cabinet", field: "insulation" }}
              label="Thickness of the walls"
              kind={measureKind(measures.thickness, system)}
              value={cabinet.insulation}
              hint="Foam and linings together."
            />
          </Fields>
          <p className="max-w-prose">
            It loses about{" "}
            <strong>{printNumber(lossCoefficient(buildNetwork(chamber)), 0.01)}&nbsp;W for every °C</strong> between
            inside and room (estimate from its measures). Inside it is about {long(inside.height)} high and{" "}
            {long(inside.width)} wide; a usual bucket for this volume is {long(size.height)} high and{" "}
            {long(size.diameter)} wide.{" "}
            {fit.fits
              ? `With an airlock ${long(fit.spareHeight)} are left above it.`
              : "It does not go in with its airlock: measure your own vessel."}
          </p>
          <Fields title="The room around it">
            <ValueField
              at={{ section: "room", field: "low" }}
              label="Coldest"
              kind={temperature}
              value={room.low}
              hint="The coldest night of the run."
            />
            <ValueField
              at={{ section: "room", field: "high" }}
              label="Warmest"
              kind={temperature}
              value={room.high}
              hint="The hottest afternoon."
            />
            <ValueField
              at={{ section: "room", field: "warmestHour" }}
              label="Warmest at"
              kind={clockKind}
              value={room.warmestHour}
            />
          </Fields>
        </div>
        <CabinetDrawing chamber={chamber} metre={170} system={system} measured />
      </div>
      <Cautions cautions={cautionsAt("box")} />
    </>
  );
}
