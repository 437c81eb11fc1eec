"use client";

import { ClipboardCopy, Play } from "lucide-react";
import { useState, useSyncExternalStore } from "react";
import { lookAt, type Example } from "@/door/examples";

/** Where the application runs; until the page lives, the address that `npm run demo` prints. */
const useOrigin = () =>
  useSyncExternalStore(
    () => () => undefined,
    () => window.location.origin,
    () => "http://127.0.0.1:4318",
  );

type Answer = { state: "asking" } | { state: "failed"; why: string } | { state: "answered"; value: string };

/** A worked call: to be copied, or asked here and now. */
export function WorkedCall({ call, title, body, look }: Example) {
  const origin = useOrigin();
  const [answer, setAnswer] = useState<Answer | null>(null);
  const [copied, setCopied] = useState<"no" | "yes" | "refused">("no");
  const path = `/api/v1/${call}`;
  const command = `curl -s ${origin}${path} \\\n  -H 'Content-Type: application/json' \\\n  -d '${JSON.stringify(body)}'`;
  const ask = async () => {
    setAnswer({ state: "asking" });
    try {
      const response = await fetch(path, {
        method: "POST",
        headers: { "Content-Type": "application/json" },
        body: JSON.stringify(body),
      });
      const value: unknown = await response.json();
      setAnswer(
        response.ok
          ? { state: "answered", value: JSON.stringify(lookAt(value, look)) }
          : { state: "failed", why: String(lookAt(value, "problem.why") ?? response.status) },
      );
    } catch {
      setAnswer({ state: "failed", why: "The application does not answer. Is it still running?" });
    }
  };
  const copy = () =>
    navigator.clipboard.writeText(command).then(
      () => setCopied("yes"),
      () => setCopied("refused"),
    );
  return (
    <article className="grid gap-2" aria-label={title}>
      <h4 className="text-lg">{title}</h4>
      <pre className="bg-base-200 p-3 text-sm break-all whitespace-pre-wrap">{command}</pre>
      <div className="flex flex-wrap items-center gap-2">
        <button type="button" className="key" onClick={() => void copy()}>
          <ClipboardCopy size={18} aria-hidden /> {copied === "yes" ? "Copied" : "Copy"}
        </button>
        <button type="button" className="key" disabled={answer?.state === "asking"} onClick={() => void ask()}>
          <Play size={18} aria-hidden /> {answer?.state === "asking" ? "Asking \u2026" : "Ask it here"}
        </button>
        {copied === "refused" && (
          <span role="alert">The browser does not let this page copy. Mark the call and copy it by hand.</span>
        )}
      </div>
      <p aria-live="polite" className={answer?.state === "answered" ? "" : "quiet"}>
        {answer?.state === "failed" ? (
          answer.why
        ) : (
          <>
            <code>{look}</code>
            {answer?.state === "answered" ? (
              <>
                {" is "}
                <code className="font-semibold break-words">{answer.value}</code>
              </>
            ) : (
              " is what to look at in the answer."
            )}
          </>
        )}
      </p>
    </article>
  );
}
