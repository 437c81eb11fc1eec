"use client";

import { measures, printMeasure, printNumber } from "@/core/quantity";
import {
  airInside,
  colourOf,
  cordFor,
  cordSource,
  fixedFor,
  fixedSource,
  keyOfUnit,
  layingTable,
  lengthsOf,
  netlistOf,
  protectedBy,
  sayMarked,
  type WiringPlan,
} from "@/core/wiring";
import { Swatch } from "@/parts/wiring";
import { useActions, useChamber, usePreferences } from "../../context";

interface Props {
  plan: WiringPlan;
  picked: string | null;
  onPick: (id: string) => void;
}

/** How a wire that is laid is kept among the steps of the work. */
export const wireStep = (unit: number, id: string): string => `wire:${keyOfUnit(unit, id)}`;

/** Every conductor by its number from terminal to terminal, ticked when it is laid; one that is picked lights up in the drawing. */
export function WireList({ plan, picked, onPick }: Props) {
  const { system } = usePreferences();
  const net = netlistOf(plan);
  const { chamber, record } = useChamber();
  const { change } = useActions();
  const air = Math.ceil(airInside(plan, chamber));
  const cord = cordFor(plan, air);
  const fixed = fixedFor(plan, Math.ceil(chamber.room.high));
  const lengths = lengthsOf(plan);
  const { wiring } = plan;
  const laid = (id: string) => record.work.done.includes(wireStep(plan.unit, id));
  const tick = (id: string) =>
    change((r) => {
      const step = wireStep(plan.unit, id);
      const done = r.work.done.includes(step) ? r.work.done.filter((d) => d !== step) : [...r.work.done, step];
      return { ...r, work: { ...r.work, done } };
    }, "wire of the list");
  const count = net.wires.filter((w) => laid(w.id)).length;
  return (
    <section className="grid gap-2" aria-label="Conductors">
      <h3 className="text-lg">
        Conductors, in the order of the work{count > 0 ? `: ${count} of ${net.wires.length} laid` : ""}
      </h3>
      <p className="max-w-prose">
        {cord ? (
          <>
            Mains wires in <strong>{cord.name}</strong>: by the {printNumber(protectedBy(wiring), 0.1)} A that protect
            them, in air of {air} °C ({cordSource(plan)} for flexible cord, from memory).
          </>
        ) : (
          "No flexible cord of the table carries what protects it: take a smaller fuse first."
        )}{" "}
        {wiring.laid !== "cord" &&
          (fixed ? (
            <>
              Fixed cable, {layingTable[wiring.laid]}, in <strong>{fixed.name}</strong>: by the{" "}
              {printNumber(wiring.breaker, 0.1)} A of the breaker ({fixedSource(plan)}, from memory).
            </>
          ) : (
            "No fixed cable of the table carries what the breaker lets through."
          ))}{" "}
        Low voltage in 0.5 mm² (20 AWG), insulated for the mains. What leaves the enclosure is sheathed cable.
      </p>
      <div className="overflow-x-auto" tabIndex={0} role="group" aria-label="The list, moved sideways">
        <table className="text-left">
          <thead>
            <tr className="rule-line border-b">
              {["Laid", "No.", "From", "To", "Colour", "Length", "Ends"].map((head) => (
                <th key={head} className="py-1 pr-4 font-semibold">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {net.wires.map((wire) => (
              <tr
                key={wire.id}
                className={`rule-line border-b ${picked === wire.id ? "bg-base-200 font-semibold" : ""}`}
              >
                <td className="pr-4">
                  <label className="flex min-h-11 min-w-11 items-center">
                    <input
                      type="checkbox"
                      className="accent-base-content h-5 w-5"
                      checked={laid(wire.id)}
                      onChange={() => tick(wire.id)}
                      aria-label={`Wire ${wire.number} is laid`}
                    />
                  </label>
                </td>
                <td className="pr-4 font-semibold">{wire.number}</td>
                <td className="pr-4">
                  <button
                    type="button"
                    className="min-h-11 text-left underline decoration-dotted underline-offset-4"
                    aria-pressed={picked === wire.id}
                    onClick={() => onPick(wire.id)}
                  >
                    {sayMarked(wire.from, net)}
                  </button>
                </td>
                <td className="pr-4">{sayMarked(wire.to, net)}</td>
                <td className="pr-4 whitespace-nowrap">
                  <Swatch job={wire.job} mains={wiring.mains} />
                  {colourOf(wire, wiring)}
                </td>
                <td className="pr-4 whitespace-nowrap">
                  {printMeasure(Math.ceil(lengths[wire.id]! * 100) / 100, measures.length, system)}
                </td>
                <td>
                  {net.pins.get(wire.from)!.end}, {net.pins.get(wire.to)!.end}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="quiet max-w-prose">
        One conductor in a terminal unless its maker allows more; no tinned ends under a screw; tighten to the torque on
        the part. Strain relief where each cord goes in.
      </p>
    </section>
  );
}
