"use client";

import { coldAvailable, coldNeeded, heatNeeded, heaterSizes } from "@/core/chamber";
import { peakOwnHeat } from "@/core/product";
import { measures, printMeasure, printTemperature } from "@/core/quantity";
import { cautionsAt } from "@/core/safety";
import { Cautions } from "@/parts/common";
import { measureKind } from "@/parts/fields";
import { useBench } from "../context";
import { Fields } from "../Fields";
import { PowerBars } from "../PowerBars";
import { ValueField } from "../ValueField";

export function HeatStation() {
  const { chamber, plan, preferences, apply } = useBench();
  const { scale, system } = preferences;
  const { target } = plan.ask;
  const vessel = chamber.vessels[0]!;
  const power = measureKind(measures.power, system);
  const watts = (w: number) => printMeasure(Math.round(w), measures.power, system);
  const own = peakOwnHeat(vessel.product, vessel.volume, target);
  const heat = heatNeeded(chamber, target);
  const cold = coldNeeded(chamber, target, own);
  const have = chamber.cooler.power > 0 ? coldAvailable(chamber, target, chamber.room.high) : 0;
  const at = (t: typeof target) => printTemperature(t, scale);
  return (
    <>
      <Fields
        title="Heat"
        note={
          heat > 0
            ? `Holding ${at(target)} in the coldest room (${at(chamber.room.low)}) takes ${watts(heat)}.`
            : `The room is never colder than ${at(target)}: heat is only needed after a cold start.`
        }
      >
        <ValueField
          at={{ section: "heater", field: "power" }}
          label="Heater"
          kind={power}
          value={chamber.heater.power}
          hint="0 W: there is none."
        />
      </Fields>
      <div className="flex flex-wrap items-center gap-1.5" role="group" aria-label="Usual heater sizes">
        <span className="quiet mr-1">Usual sizes:</span>
        {heaterSizes.slice(0, 7).map((size) => (
          <button
            key={size}
            type="button"
            className={`key ${chamber.heater.power === size ? "key-strong" : ""}`}
            aria-pressed={chamber.heater.power === size}
            onClick={() => apply([{ section: "heater", field: "power", value: size }], "heater")}
          >
            {watts(size)}
          </button>
        ))}
      </div>
      <PowerBars
        label="Heat: need against heater"
        kind="heat"
        bars={[
          { name: "needed in the coldest hour", watts: heat },
          { name: "heater", watts: chamber.heater.power },
        ]}
      />
      <Fields
        title="Cold"
        note={`Holding ${at(target)} in the hottest room (${at(chamber.room.high)})${own > 1 ? ` against ${watts(own)} of the beer\u2019s own heat` : ""} takes ${watts(cold)}${have > 0 ? `; the compressor, running without a pause, takes about ${watts(have)} out` : ""} (estimate).`}
      >
        <ValueField
          at={{ section: "cooler", field: "power" }}
          label="Cooling power of the compressor"
          kind={power}
          value={chamber.cooler.power}
          hint="Rated at −23 °C evaporator, 25 °C room. 0 W: there is none."
        />
      </Fields>
      <PowerBars
        label="Cold: need against compressor"
        kind="cold"
        bars={[
          { name: "needed in the hottest hour", watts: cold },
          { name: "compressor, without a pause", watts: have },
        ]}
      />
      <Cautions cautions={cautionsAt("heat")} />
    </>
  );
}
