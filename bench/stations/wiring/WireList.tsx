"use client";

import { measures, printMeasure, printNumber } from "@/core/quantity";
import {
  colourOf,
  cordFor,
  cordSource,
  fixedFor,
  fixedSource,
  layingTable,
  protectedBy,
  airInside,
  endsOf,
  lengthsOf,
  sayTerminal,
  wiresOf,
  type WiringPlan,
} from "@/core/wiring";
import { Swatch } from "@/parts/wiring";
import { useChamber, usePreferences } from "../../context";

interface Props {
  plan: WiringPlan;
  picked: string | null;
  onPick: (id: string) => void;
}

/** Every conductor from terminal to terminal; one that is picked lights up in the drawing, and the other way round. */
export function WireList({ plan, picked, onPick }: Props) {
  const { system } = usePreferences();
  const wires = wiresOf(plan);
  const { chamber } = useChamber();
  const air = Math.ceil(airInside(plan, chamber));
  const cord = cordFor(plan, air);
  const fixed = fixedFor(plan, Math.ceil(chamber.room.high));
  const lengths = lengthsOf(plan);
  const { wiring } = plan;
  const protects = protectedBy(wiring);
  return (
    <section className="grid gap-2" aria-label="Conductors">
      <h3 className="text-lg">Conductors</h3>
      <p className="max-w-prose">
        {cord ? (
          <>
            All that the mains flow through in <strong>{cord.name}</strong>: by the {printNumber(protects, 0.1)} A that
            protect them, in air of {air} °C, {cordSource(plan)} for flexible cord (from memory). The load comes last; a
            short before the fuse is left to the breaker.
          </>
        ) : (
          "No flexible cord of the table carries what protects it: a smaller fuse first."
        )}{" "}
        {wiring.laid !== "cord" &&
          (fixed ? (
            <>
              The fixed cable, {layingTable[wiring.laid]}, in <strong>{fixed.name}</strong>: by the{" "}
              {printNumber(wiring.breaker, 0.1)} A of the breaker, {fixedSource(plan)} (from memory).
            </>
          ) : (
            "No fixed cable of the table carries what the breaker lets through."
          ))}{" "}
        {wires.some((w) => w.job === "low") &&
          "Low voltage in 0.5 mm² (20 AWG), insulated for the mains, since it shares the enclosure with them."}
      </p>
      <div className="overflow-x-auto">
        <table className="text-left">
          <thead>
            <tr className="rule-line border-b">
              {["From", "To", "Colour", "Length", "Ends"].map((head) => (
                <th key={head} className="py-1 pr-5 font-semibold">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {wires.map((wire) => {
              return (
                <tr
                  key={wire.id}
                  className={`rule-line border-b ${picked === wire.id ? "bg-base-200 font-semibold" : ""}`}
                >
                  <td className="pr-5">
                    <button
                      type="button"
                      className="min-h-11 text-left underline decoration-dotted underline-offset-4"
                      aria-pressed={picked === wire.id}
                      onClick={() => onPick(wire.id)}
                    >
                      {sayTerminal(wire.from, plan)}
                    </button>
                  </td>
                  <td className="pr-5">{sayTerminal(wire.to, plan)}</td>
                  <td className="pr-5 whitespace-nowrap">
                    <Swatch job={wire.job} mains={wiring.mains} />
                    {colourOf(wire, wiring)}
                  </td>
                  <td className="pr-5 whitespace-nowrap">
                    {printMeasure(Math.ceil(lengths[wire.id]! * 100) / 100, measures.length, system)}
                  </td>
                  <td>
                    {endsOf(wire.from)}, {endsOf(wire.to)}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <p className="quiet max-w-prose">
        A gland and a strain relief where each cord goes in, and a loop below it so that water drips off; earth longer
        than the others, so that it parts last. A barrier between mains and probe wires. Stop here and have it looked at
        before the first plug goes in.
      </p>
    </section>
  );
}
