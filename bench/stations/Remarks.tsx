import type { SettingsFinding, Question } from "@/core/controller";

/** What the unit does not give, and what looks wrong, each with its reason. */
export function Remarks({
  findings,
  questions,
}: {
  findings: readonly SettingsFinding[];
  questions: readonly Question[];
}) {
  if (findings.length + questions.length === 0) return null;
  return (
    <ul className="grid gap-1" aria-label="What the unit does not give, and what looks wrong">
      {questions.map((q) => (
        <li key={q.id + q.field} className="border-error border-l-4 py-0.5 pl-3" data-question={q.id}>
          {q.text}
        </li>
      ))}
      {findings.map((f) => (
        <li key={f.id + f.field} className="border-warning border-l-4 py-0.5 pl-3">
          {f.text}
        </li>
      ))}
    </ul>
  );
}
