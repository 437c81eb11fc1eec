import { alarmsOf } from "@/core/controller";
import { controllerName } from "@/core/program";
import { celsius, printTemperature } from "@/core/quantity";
import { displayMoments, type DisplayMoment } from "@/core/model";
import type { Plan } from "@/core/trial";

/** What to look at when an alarm sounds, unit by unit; of stages, in the first, unless they differ. */
export function CardAlarms({ plan, lid }: { plan: Plan; lid: boolean }) {
  const { chamber, stages } = plan;
  const sounding = chamber.controllers.flatMap((controller, c) => {
    const all = stages.map((s) => alarmsOf(s.controls[c]!.settings, controller.unit));
    const { plugged } = stages[0]!.controls[c]!;
    const show = (t: number) => printTemperature(celsius(t), controller.unit.scale, controller.unit.resolution);
    const at = (side: "low" | "high", word: string) => {
      const values = [...new Set(all.map((a) => a[side]).filter((t) => t !== null))].map(show);
      if (values.length === 0) return null;
      return values.length === 1 ? `${values[0]} and ${word}` : `The ${side} alarm of the stage`;
    };
    const of = chamber.controllers.length > 1 ? `${controllerName(chamber, controller.id)}, ` : "";
    const low = at("low", "below");
    const high = at("high", "above");
    return [
      low === null ? null : { id: `${controller.id} low`, at: `${of}${low}`, cold: true, plugged },
      high === null ? null : { id: `${controller.id} high`, at: `${of}${high}`, cold: false, plugged },
    ].filter((r) => r !== null);
  });
  if (sounding.length === 0)
    return (
      <>
        <p>
          {chamber.controllers.length > 1 ? "None of these units sounds an alarm" : "This unit sounds no alarm"}: look
          at it every day.
        </p>
        <DisplayWords chamber={chamber} />
      </>
    );
  const heats = plan.stages[0]!.controls.some((c) => c.plugged.heater);
  const cools = plan.stages[0]!.controls.some((c) => c.plugged.cooler);
  return (
    <>
      {sounding.map(({ id, at, cold }) => (
        <p key={id}>
          <strong className="inline-block first-letter:uppercase">{at}:</strong> it is getting too{" "}
          {cold ? "cold" : "warm"}. {lid ? "Lid on" : "Door shut"}?{" "}
          {cold ? (
            <>
              {heats && "Heater warm to the touch of a gloved hand, its plug in? "}
              {cools && "Cooling stuck on?"}
            </>
          ) : (
            <>
              {cools && "Fridge running, its own dial at the coldest? "}
              {heats && "Heater stuck on? Pull its plug first."}
            </>
          )}
        </p>
      ))}
      <DisplayWords chamber={chamber} />
    </>
  );
}

const doThen: Record<DisplayMoment, string> = {
  probeOpen: "the probe is unplugged or broken. Is its plug in, its cable whole? Until then nothing is under control.",
  probeShorted: "the probe is shorted, most often by water in it. Dry it or put in another one.",
  alarm: "the alarm sounds: see above.",
  resting: "the compressor rests before it starts again. Wait; do not switch it off and on.",
};

/** What the words on the displays mean, as somebody has written them down from the units. */
function DisplayWords({ chamber }: { chamber: Plan["chamber"] }) {
  return chamber.controllers.flatMap(({ id, unit }) =>
    displayMoments
      .filter((moment) => unit.shows[moment])
      .map((moment) => (
        <p key={id + moment}>
          <strong>“{unit.shows[moment]}”</strong>
          {chamber.controllers.length > 1 && ` on ${controllerName(chamber, id)}`}: {doThen[moment]}
        </p>
      )),
  );
}
