import { keyingSteps, labelOf, parametersOf, plainLabel, printSetting } from "@/core/controller";
import { controllerName, stageName } from "@/core/program";
import { planSentence, type Plan } from "@/core/trial";

/** What is keyed into one unit: what stays all through, and what changes with the stage. */
export function CardUnit({ plan, index }: { plan: Plan; index: number }) {
  const { chamber, stages } = plan;
  const controller = chamber.controllers[index]!;
  const { unit } = controller;
  const controls = stages.map((s) => s.controls[index]!);
  const [first] = controls;
  const parameters = parametersOf(unit);
  const stays = parameters.filter((p) => controls.every((c) => Math.abs(c.settings[p] - first!.settings[p]) < 1e-9));
  const changes = parameters.filter((p) => !stays.includes(p));
  const steps = keyingSteps(first!.settings, unit, first!.plugged);
  const sheet = unit.enter || unit.leave || unit.pause !== "unknown";
  return (
    <section className="grid gap-[1mm]">
      {chamber.controllers.length > 1 && (
        <h3 className="text-[1.1em] first-letter:uppercase">{controllerName(chamber, controller.id)}</h3>
      )}
      {changes.length > 0 && (
        <table className="w-full border-collapse">
          <thead>
            <tr className="border-b border-black text-left align-bottom">
              <th className="font-bold">Key in for</th>
              {changes.map((p) => (
                <th key={p} className="pl-1 text-right font-bold">
                  {labelOf(p, unit)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {stages.map(({ id }, s) => (
              <tr key={id} className="border-b border-black/40">
                <th scope="row" className="py-[0.4mm] text-left font-normal">
                  {s + 1}. {stageName(chamber.stages, id)}
                </th>
                {changes.map((p) => (
                  <td key={p} className="pl-1 text-right font-bold whitespace-nowrap">
                    {printSetting(controls[s]!.settings, p, unit)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {stays.length > 0 && (
        <table className="w-full border-collapse">
          <tbody>
            {stays.map((field) => (
              <tr key={field} className="border-b border-black/40">
                <th scope="row" className="py-[0.5mm] text-left font-normal">
                  {unit.labels[field]?.position ? `${unit.labels[field]?.position}. ` : ""}
                  {unit.labels[field]?.label ? (
                    <>
                      <strong>{labelOf(field, unit)}</strong> ({plainLabel(field, unit).toLowerCase()})
                    </>
                  ) : (
                    labelOf(field, unit)
                  )}
                </th>
                <td className="text-right text-[1.15em] font-bold">{printSetting(first!.settings, field, unit)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {sheet && (
        <p>
          {[steps[0], steps.at(-2)].map((step) => (
            <span key={step!.text}>{step!.text} </span>
          ))}
        </p>
      )}
      {stages.length === 1 && (
        <div>
          {planSentence({ control: first!, controller }, unit.scale).map((line) => (
            <p key={line}>{line}</p>
          ))}
        </div>
      )}
    </section>
  );
}
