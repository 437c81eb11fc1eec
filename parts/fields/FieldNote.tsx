import { FOUND } from "./drafts";

interface Props {
  id: string;
  problem: string | null;
  /** What was typed before the page was loaded anew stands here again. */
  found: boolean;
  hint?: string;
}

/** The line below a field: what is wrong with what was typed, or what it is about. */
export function FieldNote({ id, problem, found, hint }: Props) {
  return (
    <p
      id={id}
      className={problem ? "text-error text-sm font-semibold" : "quiet text-sm"}
      role={problem ? "alert" : undefined}
    >
      {problem ?? (found ? FOUND : hint)}
    </p>
  );
}
