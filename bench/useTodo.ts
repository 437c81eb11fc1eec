import { useMemo } from "react";
import { todoList, type Todo } from "@/core/trial";
import { usePreferences, useShownTrial } from "./context";

/** What has to be keyed in and done over the program, by the trial on show; none while there is no trial. */
export function useTodo(): Todo[] {
  const { answer } = useShownTrial().live;
  const { scale } = usePreferences();
  return useMemo(() => (answer ? todoList(answer.plan, answer.trial, scale) : []), [answer, scale]);
}
