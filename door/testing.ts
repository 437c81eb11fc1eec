import type { Crew } from "./crew";
import { work } from "./work";

/** Does the work where it is asked, for tests of what is answered; crew.test.ts has real threads. */
export const sameThread: Pick<Crew, "have"> = { have: (_lane, { call, text }) => Promise.resolve(work(call, text)) };
