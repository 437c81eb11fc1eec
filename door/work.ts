import * as z from "zod";
import { hasForeignKey, problemOf, sayProblem } from "@/core/model";
import {
  Impossible,
  Overlong,
  readBackAnswer,
  recommendationAnswer,
  settingsAnswer,
  trialAnswer,
  verdictsAnswer,
} from "./answers";
import { fromOlder } from "./older";
import { withOrigins } from "./plain";
import { requests, type Call } from "./schemas";
import { refuse, toJson, type Reply } from "./reply";

function answer(call: Call, body: unknown): unknown {
  switch (call) {
    case "settings":
      return settingsAnswer(requests.settings.parse(body));
    case "read-back":
      return readBackAnswer(requests["read-back"].parse(body));
    case "trial":
      return trialAnswer(requests.trial.parse(body));
    case "verdicts":
      return verdictsAnswer(requests.verdicts.parse(body));
    case "recommendation":
      return recommendationAnswer(requests.recommendation.parse(body), () => performance.now());
  }
}

/**
 * Does the work of one call: pure computation, wherever it runs. Never throws.
 * @param text the body as it came
 */
export function work(call: Call, text: string): Reply {
  let sent: unknown;
  try {
    sent = JSON.parse(text);
  } catch {
    return refuse(400, "", "The body is not complete JSON.", "Send one JSON object.");
  }
  if (hasForeignKey(sent))
    return refuse(422, "chamber", "No chamber has a key \u201c__proto__\u201d.", "Leave it out.");
  try {
    return { status: 200, body: toJson(answer(call, fromOlder(withOrigins(sent)))) };
  } catch (error) {
    if (error instanceof z.ZodError) {
      const problem = problemOf(error.issues[0]!);
      const mend = "See /api/v1/openapi.json for what this call takes.";
      return refuse(422, problem.at.join("."), sayProblem(problem), mend);
    }
    if (error instanceof Impossible)
      return refuse(422, error.field, error.message, "Change one of the values that it names.");
    if (error instanceof Overlong)
      return refuse(
        422,
        "",
        "The search took too long.",
        "Ask without the probe or the heater, or for a smaller chamber.",
      );
    return refuse(500, "", "Something went wrong here.", "It is our fault: please report the body that you sent.");
  }
}
