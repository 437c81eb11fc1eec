import * as z from "zod";
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
import { calls, requests, type Call, type Problem } from "./schemas";

z.config({ jitless: true });

/** Largest body, bytes. */
export const MOST_BYTES = 512 * 1024;
/** Calls that may wait at once, and searches that may run at once: the rest is asked to come back. */
const MOST_WAITING = 60;
const MOST_SEARCHES = 1;

export interface Reply {
  status: number;
  body: string;
  headers?: Record<string, string>;
}

/** JSON of plain data and typed arrays; what is no number (Infinity, NaN) becomes null. */
export const toJson = (value: unknown): string =>
  JSON.stringify(value, (_, v: unknown) => {
    if (v instanceof Float32Array)
      return Array.from(v, (n) => (Number.isFinite(n) ? Math.round(n * 1000) / 1000 : null));
    return v;
  });

const refuse = (status: number, field: string, why: string, mend: string, headers?: Record<string, string>): Reply => ({
  status,
  body: toJson({ problem: { field, why, mend } } satisfies Problem),
  headers,
});

const busy = (what: string): Reply =>
  refuse(503, "", `${what} is all that runs here at once.`, "Ask again in two seconds.", { "Retry-After": "2" });

let waiting = 0;
let searches = 0;
let last: Promise<unknown> = Promise.resolve();

/** One after the other: each call is short, and a queue is fairer than a crowd. */
function inTurn<T>(work: () => T): Promise<T> {
  const mine = last.then(
    () =>
      new Promise<T>((resolve, reject) =>
        setImmediate(() => {
          try {
            resolve(work());
          } catch (error) {
            reject(error);
          }
        }),
      ),
  );
  last = mine.catch(() => undefined);
  return mine;
}

async function answer(call: Call, sent: unknown): Promise<Reply> {
  const body = fromOlder(sent);
  const parsed = requests[call].safeParse(body);
  if (!parsed.success) {
    const issue = parsed.error.issues[0]!;
    return refuse(422, issue.path.join("."), issue.message, "See /api/v1/openapi.json for what this call takes.");
  }
  const reply = (value: unknown): Reply => ({ status: 200, body: toJson(value) });
  switch (call) {
    case "settings":
      return inTurn(() => reply(settingsAnswer(requests.settings.parse(body))));
    case "read-back":
      return inTurn(() => reply(readBackAnswer(requests["read-back"].parse(body))));
    case "trial":
      return inTurn(() => reply(trialAnswer(requests.trial.parse(body))));
    case "verdicts":
      return inTurn(() => reply(verdictsAnswer(requests.verdicts.parse(body))));
    case "recommendation": {
      if (searches >= MOST_SEARCHES) return busy("One search");
      searches++;
      try {
        return reply(await recommendationAnswer(requests.recommendation.parse(body), () => performance.now()));
      } finally {
        searches--;
      }
    }
  }
}

/**
 * Answers one call of a script. It keeps nothing: the data stay with the caller.
 * @param name the last part of the address
 * @param text the body as it came; null where it was longer than allowed
 */
export async function knock(name: string, type: string | null, text: string | null): Promise<Reply> {
  const call = calls.find((c) => c === name);
  if (!call)
    return refuse(404, "", `There is no call \u201c${name.slice(0, 40)}\u201d.`, `Use one of ${calls.join(", ")}.`);
  if (!type?.toLowerCase().startsWith("application/json"))
    return refuse(415, "", "The body is no JSON by its Content-Type.", "Send Content-Type: application/json.");
  if (text === null || text.length > MOST_BYTES)
    return refuse(
      413,
      "",
      "The body is too large.",
      `Keep it under ${MOST_BYTES / 1024} kB: thin out a recorded room.`,
    );
  if (waiting >= MOST_WAITING) return busy(`${MOST_WAITING} calls`);
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch {
    return refuse(400, "", "The body is not complete JSON.", "Send one JSON object.");
  }
  waiting++;
  try {
    return await answer(call, body);
  } catch (error) {
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
  } finally {
    waiting--;
  }
}
