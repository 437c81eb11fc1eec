"use client";

import { useEffect, useRef, type MouseEvent } from "react";

interface Props {
  /** What was thrown. */
  error: Error & { digest?: string };
  /** Tries once more to show what failed. */
  retry: () => void;
  /** The application's own way of going elsewhere; where that has gone down too, a plain address loads everything anew. */
  go?: (href: string) => void;
}

/** Something of ours broke while a page was shown: what is safe, and the ways on. */
export function ErrorPage({ error, retry, go }: Props) {
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus(), []);
  // No link of the framework: it would be loaded with every page, for this one that is hardly ever seen.
  const elsewhere = (href: string, label: string) => {
    const follow = (event: MouseEvent) => {
      if (!go || event.metaKey || event.ctrlKey || event.shiftKey) return;
      event.preventDefault();
      go(href);
    };
    return (
      <a className="key" href={href} onClick={follow}>
        {label}
      </a>
    );
  };
  return (
    <main className="mx-auto grid max-w-xl gap-4 p-8">
      <h1 ref={heading} tabIndex={-1} className="text-3xl outline-none">
        Something broke on this page
      </h1>
      <p>
        It is our fault, not yours. What the frame called stored is stored: it is still in this browser, and nothing of
        it has been touched.
      </p>
      <p className="flex flex-wrap gap-2">
        <button type="button" className="key key-strong" onClick={retry}>
          Show it again
        </button>
        {elsewhere("/", "To the Shelf")}
        {elsewhere("/preferences#backup", "Put everything into a file")}
      </p>
      <details>
        <summary className="min-h-11 content-center">What it says of itself</summary>
        <p className="font-mono text-sm break-words">
          {error.message || "nothing"}
          {error.digest ? ` (${error.digest})` : ""}
        </p>
      </details>
    </main>
  );
}
