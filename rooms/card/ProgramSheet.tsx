import type { Scale } from "@/core/quantity";
import { isKeying, todoList, type Plan, type Trial } from "@/core/trial";
import { momentsOf } from "@/bench";

interface Props {
  name: string;
  plan: Plan;
  trial: Trial;
  scale: Scale;
}

/** The sheet beside the card: which day, which number to key in, what to do, with a box to tick. */
export function ProgramSheet({ name, plan, trial, scale }: Props) {
  const { chamber } = plan;
  const { startsAt } = chamber.program;
  const todo = todoList(plan, trial, scale);
  const say = momentsOf(startsAt, trial.startHour);
  const missing = chamber.stages.length - trial.stages.length;
  return (
    <>
      <h2 className="border-b border-black pb-[1mm] text-[1.5em]">{name}: program</h2>
      <table className="mt-[2mm] w-full border-collapse text-left">
        <thead>
          <tr className="border-b border-black">
            <th className="w-[6mm] py-[1mm]">
              <span className="sr-only">Done</span>
            </th>
            <th className="w-[28%] py-[1mm] pr-[2mm]">When</th>
            <th className="py-[1mm]">What</th>
          </tr>
        </thead>
        <tbody>
          {todo.map((task) => (
            <tr key={task.id} className="break-inside-avoid border-b border-black/40 align-top">
              <td className="py-[1mm]">
                <span className="inline-block h-[3.5mm] w-[3.5mm] border border-black" aria-hidden />
              </td>
              <td className="py-[1mm] pr-[2mm] font-semibold">{say(task.at)}</td>
              <td className="py-[1mm]">
                {isKeying(task) ? (
                  <>
                    <strong>
                      {task.stageName}
                      {task.unit && `, ${task.unit}`}
                    </strong>
                    {": key in "}
                    {task.numbers.map(({ label, value }) => `${label} ${value}`).join(", ")}
                  </>
                ) : (
                  task.name
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-[2mm]">
        By the usual course: a reading decides, and moves what comes after it.
        {!startsAt && " Days count from the beginning."}
        {missing > 0 && ` The last ${missing === 1 ? "stage lies" : `${missing} stages lie`} beyond this trial.`}
      </p>
    </>
  );
}
