"use client";

import { Plus, X } from "lucide-react";
import type { Named, Stage, Task } from "@/core/model";
import { hoursKind, NumberField, Select, TextField } from "@/parts/fields";
import { useActions } from "../context";

const MOST = 12;
const HOUR = 3600;

/** The first number that no task of the stage has yet. */
function freshTask(tasks: readonly Task[]): string {
  for (let n = 1; ; n++) if (!tasks.some((t) => t.id === `t${n}`)) return `t${n}`;
}

/** What there is to do in a stage, and when: it gets a peg above the trace, a line in the list and one in the calendar. */
export function TaskFields({ stage }: { stage: Named<Stage> }) {
  const { apply } = useActions();
  const { tasks } = stage;
  const put = (next: Task[], label: string) =>
    apply([{ section: "stage", field: "tasks", id: stage.id, value: next }], label);
  const change = (id: string, by: Partial<Task>) =>
    put(
      tasks.map((t) => (t.id === id ? { ...t, ...by } : t)),
      "something to do",
    );
  return (
    <section className="grid gap-3" aria-label="To do in this stage">
      <h3 className="text-lg">To do in this stage</h3>
      {tasks.length === 0 && (
        <p className="quiet">Nothing yet: taking a gravity, turning trays, weighing stand here.</p>
      )}
      <ul className="grid gap-3">
        {tasks.map((task, i) => (
          <li
            key={task.id}
            className="rule-line grid gap-x-4 gap-y-2 border-b pb-3 grid-cols-[repeat(auto-fill,minmax(min(12rem,100%),1fr))]"
          >
            <div className="col-span-full flex flex-wrap items-start gap-x-4 gap-y-2">
              <div className="min-w-0 grow basis-72">
                <TextField
                  label={`${i + 1}: what`}
                  value={task.name}
                  most={80}
                  onCommit={(name) => change(task.id, { name: name.trim() })}
                />
              </div>
              <button
                type="button"
                className="key mt-7 px-2"
                onClick={() =>
                  put(
                    tasks.filter((t) => t.id !== task.id),
                    "something to do out",
                  )
                }
              >
                <X size={16} aria-hidden /> Take it out<span className="sr-only">: {task.name}</span>
              </button>
            </div>
            <Select
              label={`${i + 1}: counted from`}
              value={task.from}
              options={[
                { value: "beginning", label: "the beginning on" },
                { value: "end", label: "the end back" },
              ]}
              onChoose={(from) => change(task.id, { from })}
            />
            <NumberField
              label={`${i + 1}: ${task.from === "end" ? "so long before it" : "so long after it"}`}
              kind={hoursKind}
              value={task.seconds}
              onCommit={(seconds) => change(task.id, { seconds })}
            />
            <NumberField
              label={`${i + 1}: and again every`}
              kind={hoursKind}
              value={task.every}
              hint="0: once."
              onCommit={(every) => change(task.id, { every })}
            />
          </li>
        ))}
      </ul>
      {tasks.length < MOST && (
        <button
          type="button"
          className="key justify-self-start"
          onClick={() =>
            put(
              [...tasks, { id: freshTask(tasks), name: "Look at it", from: "beginning", seconds: 24 * HOUR, every: 0 }],
              "something to do",
            )
          }
        >
          <Plus size={16} aria-hidden /> Something to do
        </button>
      )}
    </section>
  );
}
