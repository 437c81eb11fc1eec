import { sayEnds, stageName } from "@/core/program";
import { celsius, printTemperature, type Scale } from "@/core/quantity";
import type { Plan } from "@/core/trial";

/** The stages in turn, with their bands and their ends. */
export function CardProgram({ plan, scale }: { plan: Plan; scale: Scale }) {
  const { chamber, stages } = plan;
  const show = (t: number) => printTemperature(celsius(t), scale);
  return (
    <table className="w-full border-collapse">
      <thead>
        <tr className="border-b border-black text-left">
          <th className="font-bold">Stage</th>
          <th className="font-bold">Band</th>
          <th className="font-bold">Goes on</th>
        </tr>
      </thead>
      <tbody>
        {stages.map(({ id, stage }, i) => (
          <tr key={id} className="border-b border-black/40 align-top">
            <th scope="row" className="py-[0.4mm] pr-2 text-left font-bold">
              {i + 1}. {stageName(chamber.stages, id)}
            </th>
            <td className="pr-2 whitespace-nowrap">
              {show(stage.low).replace(/\u00a0.*/, "")} to {show(stage.high)}
            </td>
            <td>{sayEnds(stage, chamber, scale)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
