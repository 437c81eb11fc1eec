"use client";

import { openAgain, troubleWords, useWorkshop } from "@/workshop";

/** What is wrong with the store, never an empty shelf in its place. */
export function NoStore() {
  const trouble = useWorkshop((s) => s.trouble) ?? "unopenable";
  const { title, mend } = troubleWords[trouble];
  return (
    <main className="mx-auto grid max-w-xl gap-3 p-8">
      <h1 className="text-3xl">The workshop cannot be opened</h1>
      <p>
        <strong>{title}.</strong> {mend}
      </p>
      <button type="button" className="key key-strong justify-self-start" onClick={() => void openAgain()}>
        Try again
      </button>
    </main>
  );
}
