"use client";

import { useState, type ReactNode } from "react";
import { Contained } from "./Contained";

interface Props {
  summary: ReactNode;
  children: ReactNode;
  /** Open from the start. */
  open?: boolean;
  /** What tests and scripts find it by. */
  part?: string;
}

/** A part that can be folded away; while it is shut, nothing in it is worked out or drawn. */
export function Fold({ summary, children, open = false, part }: Props) {
  const [shown, setShown] = useState(open);
  return (
    <details
      className="rule-line border-t pt-2"
      data-part={part}
      open={shown}
      onToggle={(e) => setShown(e.currentTarget.open)}
    >
      <summary className="min-h-11 content-center font-semibold">{summary}</summary>
      {shown && (
        <Contained name={typeof summary === "string" ? `\u201c${summary}\u201d` : "what stands here"}>
          {children}
        </Contained>
      )}
    </details>
  );
}
