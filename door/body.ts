/** What is somewhat too long is read to its end and dropped, or its sender would see a broken line and no reason. */
const PATIENCE = 8;

/**
 * The text of a body, read no further than allowed: a stream that does not say its length, or lies about it, cannot
 * fill the memory.
 * @returns null where it is longer than `most` bytes
 */
export async function readAtMost(body: ReadableStream<Uint8Array> | null, most: number): Promise<string | null> {
  if (!body) return "";
  const reader = body.getReader();
  const parts: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size <= most) parts.push(value);
    else if (size > most * PATIENCE) {
      await reader.cancel();
      return null;
    }
  }
  if (size > most) return null;
  const all = new Uint8Array(size);
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.byteLength;
  }
  return new TextDecoder().decode(all);
}
