import type { Body } from "./door";

/** What is somewhat too long is read to its end and dropped, or its sender would see a broken line and no reason. */
const PATIENCE = 8;

/** Longest that a body may take to come to its end, ms. */
const LONGEST_BODY = 15_000;

/**
 * The text of a body, read no further than allowed: a stream that does not say its length, or lies about it, cannot
 * fill the memory, and one that never ends does not keep anybody waiting.
 * @param most bytes
 */
export async function readAtMost(
  body: ReadableStream<Uint8Array> | null,
  most: number,
  longest = LONGEST_BODY,
): Promise<Body> {
  if (!body) return { text: "" };
  const reader = body.getReader();
  let clock: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<null>((resolve) => (clock = setTimeout(() => resolve(null), longest)));
  const give = (refused: "large" | "slow"): Body => {
    // Whoever sends it may not listen any more either.
    reader.cancel().catch(() => undefined);
    return { refused };
  };
  const parts: Uint8Array[] = [];
  let size = 0;
  try {
    for (;;) {
      const read = await Promise.race([reader.read(), late]);
      if (!read) return give("slow");
      if (read.done) break;
      size += read.value.byteLength;
      if (size <= most) parts.push(read.value);
      else if (size > most * PATIENCE) return give("large");
    }
  } finally {
    clearTimeout(clock);
  }
  if (size > most) return { refused: "large" };
  return { text: new TextDecoder().decode(Buffer.concat(parts)) };
}
