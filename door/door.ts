import { Abandoned, Crowded, Overrun, type Crew, type Lane } from "./crew";
import { refuse, type Reply } from "./reply";
import { calls, type Call } from "./schemas";

/** Largest body, bytes. */
export const MOST_BYTES = 512 * 1024;

const busy = (): Reply =>
  refuse(503, "", "As many calls as may wait are waiting.", "Ask again in two seconds.", { "Retry-After": "2" });

/** From so many days on a trial is heavy work; boxes that are stepped by seconds, and bodies with much in them, are it sooner. */
const LONG = 10;
const QUICK_LONG = 2;
const QUICK = /"(?:drum|brick|crock|kettle)"/;
const MUCH = 48 * 1024;

/** Which calls have to wait for each other: a look at the body, no more. */
function laneOf(call: Call, text: string): Lane {
  if (call === "recommendation" || text.length > MUCH) return "heavy";
  const days = /"days"\s*:\s*([\d.eE+-]+)/.exec(text);
  return days && Number(days[1]) > (QUICK.test(text) ? QUICK_LONG : LONG) ? "heavy" : "light";
}

/** Has a job done. One that turns out heavy is ended and begun anew where it keeps no light one waiting. */
async function done(job: { call: Call; text: string }, crew: Pick<Crew, "have">, signal?: AbortSignal): Promise<Reply> {
  const lane = laneOf(job.call, job.text);
  try {
    return await crew.have(lane, job, signal);
  } catch (error) {
    if (lane === "heavy" || !(error instanceof Overrun)) throw error;
    return crew.have("heavy", job, signal);
  }
}

/** A call by another method than POST. */
export const wrongMethod = (): Reply =>
  refuse(405, "", "Calls are made by POST.", "Send the body by POST.", { Allow: "POST" });

/** What came of reading a body. */
export type Body = { text: string } | { refused: "large" | "slow" };

/**
 * Answers one call of a script. It keeps nothing: the data stay with the caller.
 * @param name the last part of the address
 * @param crew who does the work
 * @param signal ends the work when nobody waits for it any more
 */
export async function knock(
  name: string,
  type: string | null,
  body: Body,
  crew: Pick<Crew, "have">,
  signal?: AbortSignal,
): Promise<Reply> {
  const call = calls.find((c) => c === name);
  if (!call)
    return refuse(404, "", `There is no call \u201c${name.slice(0, 40)}\u201d.`, `Use one of ${calls.join(", ")}.`);
  if (!type?.toLowerCase().startsWith("application/json"))
    return refuse(415, "", "The body is no JSON by its Content-Type.", "Send Content-Type: application/json.");
  if ("refused" in body && body.refused === "slow")
    return refuse(408, "", "The body did not come to its end in time.", "Send it again, in one piece.");
  if ("refused" in body || body.text.length > MOST_BYTES)
    return refuse(
      413,
      "",
      "The body is too large.",
      `Keep it under ${MOST_BYTES / 1024} kB: thin out a recorded room.`,
    );
  try {
    return await done({ call, text: body.text }, crew, signal);
  } catch (error) {
    if (error instanceof Crowded) return busy();
    if (error instanceof Overrun)
      return refuse(422, "", "The work took too long and was ended.", "Ask for fewer days, or for a smaller chamber.");
    if (error instanceof Abandoned) return refuse(499, "", "Nobody waits for this answer any more.", "Ask again.");
    return refuse(500, "", "Something went wrong here.", "It is our fault: please report the body that you sent.");
  }
}
