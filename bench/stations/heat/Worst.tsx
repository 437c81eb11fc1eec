"use client";

import { coolersOf, heatersOf } from "@/core/chamber";
import { useDeferredValue } from "react";
import { arrivalOf, worstCold, worstHeat, type Demand, type Load } from "@/core/demand";
import { measures, printDuration, printMeasure, printTemperature } from "@/core/quantity";
import { plainKind } from "@/parts/fields";
import { useChamber, usePreferences } from "../../context";
import { ValueField } from "../../ValueField";

/** The worst hour each way: everything that asks, as a bar against what each device gives at that temperature. */
export function Worst() {
  const { chamber, stage, control } = useChamber();
  const heat = worstHeat(chamber, stage, control.holds);
  const cold = worstCold(chamber, stage);
  const sides = [
    ...(heat.total >= 0.5 || heatersOf(chamber).length > 0 ? [heat] : []),
    ...(cold.total >= 0.5 || coolersOf(chamber).length > 0 ? [cold] : []),
  ];
  return (
    <section className="grid gap-4" aria-label="The worst hour each way">
      <h3 className="text-lg">The worst hour each way</h3>
      <div className="max-w-72">
        <ValueField
          at={{ section: "build", field: "loadHours" }}
          label="What is put in is to be there within"
          kind={plainKind("h", 1)}
          value={chamber.build.loadHours}
        />
      </div>
      {sides.length === 0 && <p>Nothing is asked for: the room holds what is wanted by itself.</p>}
      {sides.map((demand) => (
        <Side key={demand.side} demand={demand} />
      ))}
    </section>
  );
}

const HEIGHT = 22;

function Side({ demand }: { demand: Demand }) {
  const { scale, system } = usePreferences();
  const { side, target, room, holds, pull, hold, total, devices, gives } = demand;
  // Its own trial: the hand does not wait for it.
  const { chamber, stage } = useDeferredValue(useChamber());
  const arrives = pull && gives > hold ? arrivalOf({ chamber, side, id: stage.id }) : null;
  const hot = side === "heat";
  const watts = (w: number) =>
    w > 0 && w < 0.5
      ? `less than ${printMeasure(1, measures.power, system)}`
      : printMeasure(Math.round(w), measures.power, system);
  const parts = [
    ...holds.filter((p) => p.watts > 0),
    ...(pull ? [{ name: "to bring in what is put in", watts: pull.watts }] : []),
  ];
  const saved = holds.filter((p) => p.watts < 0);
  const most = Math.max(1, total, gives);
  const enough = gives >= hold;
  const title = hot ? "Heat" : "Cold";
  return (
    <div className={`grid gap-1 ${hot ? "text-heat" : "text-cold"}`}>
      <p className="text-base-content max-w-prose">
        <strong>{title}</strong>: {printTemperature(target, scale)} in a room of {printTemperature(room, scale)} takes{" "}
        <strong>{watts(hold)}</strong> to hold
        {pull && (
          <>
            {" "}
            and <strong>{watts(pull.watts)}</strong> more to bring what is put in there in time
          </>
        )}
        ; there {devices.length === 1 ? "is" : "are"} <strong>{watts(gives)}</strong> (estimates).{" "}
        {gives === 0
          ? hold > 0.5
            ? `Nothing here gives any ${title.toLowerCase()}.`
            : ""
          : !enough
            ? "That does not hold it."
            : pull && arrives === null
              ? "It holds, and what is put in does not get into its band."
              : arrives === undefined
                ? "It is far too strong for this box: how soon it is in its band cannot be worked out."
                : pull && arrives === 0
                  ? "It begins in its band."
                  : pull
                    ? `Running without a pause it is in its band after ${printDuration(arrives! * 3600)}${arrives! > chamber.build.loadHours ? ": later than that" : ""}.`
                    : `At the worst it runs ${Math.round((hold / gives) * 100)}\u00a0% of the time.`}
      </p>
      <Bar label={`${title} that is asked for`} parts={upTo(parts, total)} most={most} outlined hot={hot} />
      {devices.length > 0 && <Bar label={`${title} that the devices give`} parts={devices} most={most} hot={hot} />}
      <ul className="text-base-content quiet flex flex-wrap gap-x-5 text-[0.8125rem]">
        {[...parts, ...saved].map((p) => (
          <li key={p.name}>
            {p.name}: {watts(p.watts)}
          </li>
        ))}
        {devices.map((d) => (
          <li key={d.id}>
            {d.name} gives {watts(d.watts)}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Of what asks, as much as is left to the devices: what saves some of it takes from the end. */
function upTo(parts: readonly Load[], total: number): Load[] {
  let left = total;
  return parts.flatMap(({ name, watts }) => {
    const rest = Math.min(watts, left);
    left -= rest;
    return rest > 0 ? [{ name, watts: rest }] : [];
  });
}

interface BarProps {
  label: string;
  parts: readonly Load[];
  most: number;
  outlined?: boolean;
  hot: boolean;
}

/** Parts end to end on the scale of both bars; each is named as far as it is wide enough, and all of them below. */
function Bar({ label, parts, most, outlined = false, hot }: BarProps) {
  const fill = hot ? "url(#hatch-heat)" : "url(#dots-cold)";
  return (
    <div
      role="img"
      aria-label={`${label}: ${parts.map((p) => `${p.name} ${Math.round(p.watts)} W`).join(", ")}`}
      className="flex"
      style={{ height: HEIGHT }}
    >
      {parts.map(({ name, watts }) => (
        <div key={name} className="relative shrink-0" style={{ width: `${(watts / most) * 99}%` }} aria-hidden>
          <svg width="100%" height={HEIGHT} className="block">
            <rect
              x="0.5"
              y="0.5"
              width="calc(100% - 1px)"
              height={HEIGHT - 1}
              fill={outlined ? "none" : fill}
              stroke="currentColor"
              strokeWidth="1.2"
            />
          </svg>
          {outlined && watts / most > 0.12 && (
            <span className="text-base-content absolute inset-x-1.5 top-0 truncate text-xs leading-[22px]">{name}</span>
          )}
        </div>
      ))}
    </div>
  );
}
