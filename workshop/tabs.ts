/** What tabs of one browser profile tell each other. */
export type Word = { say: "here" } | { say: "here too" } | { say: "leaving" } | { say: "wrote"; id: string };

export interface Line {
  tell(word: Word): void;
  close(): void;
}

/** Opens the line between tabs; without one, a tab is alone and says so to nobody. */
export function openLine(hear: (word: Word) => void): Line {
  if (typeof BroadcastChannel === "undefined") return { tell: () => undefined, close: () => undefined };
  const channel = new BroadcastChannel("gentle-crock");
  channel.onmessage = (event: MessageEvent<Word>) => hear(event.data);
  return { tell: (word) => channel.postMessage(word), close: () => channel.close() };
}
