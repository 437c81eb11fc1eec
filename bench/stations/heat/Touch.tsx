"use client";

import { surfacesOf, type SurfaceHeat } from "@/core/demand";
import { celsius, measures, printMeasure, printTemperature } from "@/core/quantity";
import { useChamber, usePreferences } from "../../context";

/** How hot each heater's face gets that runs without a pause, what may touch it, and what keeps a distance. */
export function Touch() {
  const { chamber, stage } = useChamber();
  const all = surfacesOf(chamber, stage);
  const fire = chamber.heaters.some((h) => h.kind === "charcoal" && h.power > 0);
  if (fire)
    return (
      <p className="max-w-prose">
        <strong className="text-error">Nothing may touch a fire or its bed.</strong> Embers are at several hundred
        degrees: keep whatever burns two metres away, out of the way of sparks, and never leave it unwatched indoors.
      </p>
    );
  if (all.length === 0) return <p>There is no heater whose surface could touch anything.</p>;
  return (
    <section className="grid gap-3" aria-label="What may touch the heater">
      {all.map((surface) => (
        <OneHeater key={surface.heater.id} surface={surface} named={all.length > 1} air={stage.target} />
      ))}
      <p className="quiet max-w-prose">
        Faces by a balance of what they take in, give to the air and radiate; areas are estimates, and a smaller face is
        hotter. Limits from memory, of standards and product declarations; the hand by EN ISO 13732-1. A relay that
        sticks lets a heater run without a pause: a one-shot thermal cut-out that does not hang on the controller is
        what stops it.
      </p>
    </section>
  );
}

function OneHeater({ surface, named, air }: { surface: SurfaceHeat; named: boolean; air: number }) {
  const { scale, system } = usePreferences();
  const { heater, name, without, face, judged, never, may, distances } = surface;
  const at = (t: number) => printTemperature(celsius(t), scale);
  // No face is known to a degree, nor a distance to a millimetre: the latter is rounded to the safe side.
  const about = (t: number) => printTemperature(celsius(t), scale, 10);
  const step = system === "customary" ? 0.0254 : 0.05;
  const far = (m: number) => printMeasure(Math.ceil(m / step - 1e-9) * step, measures.length, system);
  return (
    <div className="grid max-w-prose gap-1">
      <p>
        {named && <strong>{name}: </strong>}
        Running without a pause in air of {at(air)}{" "}
        {face ? (
          <>
            {face.of} comes to about <strong>{about(face.usual)}</strong>, at most {about(face.upper)}; covered on one
            side to <strong>{about(face.covered)}</strong> (estimates from {Math.round(heater.power)}&nbsp;W)
          </>
        ) : (
          <>
            its surface comes to <strong>{at(Math.min(400, without))}</strong> on average, spots of it more (estimate
            from {Math.round(heater.power)}&nbsp;W and what takes heat off it)
          </>
        )}
        {heater.ownThermostat && !face?.open ? `; its own thermostat cuts at ${at(Math.min(judged, without))}` : ""}.
      </p>
      {face?.open ? (
        <>
          <p>
            <strong className="text-error">Nothing may touch it, not even paper.</strong> Two fixings and a guard. What
            it shines on keeps its distance, with nothing in between:
          </p>
          <ul className="list-inside list-disc">
            {distances
              .filter(({ thing }) => !thing.name.startsWith("a hand"))
              .map(({ thing, distance }) => (
                <li key={thing.name}>
                  {thing.name}:{" "}
                  {distance === null ? "not in air as warm as this" : <strong>{far(distance)} or more</strong>}
                </li>
              ))}
          </ul>
        </>
      ) : (
        <>
          {never.length > 0 && (
            <p>
              <strong className="text-error">Never against it:</strong>{" "}
              {never.map((t) => `${t.name} (up to ${at(t.upTo)})`).join("; ")}.
            </p>
          )}
          {may.length > 0 && <p>May touch it: {may.map((t) => `${t.name} (up to ${at(t.upTo)})`).join("; ")}.</p>}
        </>
      )}
    </div>
  );
}
