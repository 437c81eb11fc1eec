"use client";

import { createContext, useContext, useState, type ReactNode } from "react";

const Scope = createContext<string | null>(null);

/** Tells the fields within what they are of, so that what is typed into one is found again after a reload. */
export function Drafts({ of, children }: { of: string; children: ReactNode }) {
  const around = useContext(Scope);
  return <Scope.Provider value={around === null ? of : `${around}/${of}`}>{children}</Scope.Provider>;
}

/** Of this tab alone, and for as long as it lives: what is not taken over is no data of the workshop. */
const keyOf = (scope: string, field: string) => `gentle-crock:draft:${scope}/${field}`;

function recall(key: string): string | null {
  try {
    return sessionStorage.getItem(key);
  } catch {
    return null;
  }
}

function keep(key: string, draft: string | null): void {
  try {
    if (draft === null) sessionStorage.removeItem(key);
    else sessionStorage.setItem(key, draft);
  } catch {
    // Without storage it lives as long as the page.
  }
}

interface Draft {
  /** What is typed and not taken over; null where there is nothing. */
  draft: string | null;
  set: (draft: string | null) => void;
  /** It was typed before the page was loaded, and nobody has touched it since. */
  found: boolean;
}

/** What is being typed into a field. Outside of any scope it does not survive a reload. */
export function useDraft(field: string): Draft {
  const scope = useContext(Scope);
  const key = scope === null ? null : keyOf(scope, field);
  const [held, hold] = useState<{ key: string | null; draft: string | null; found: boolean } | null>(null);
  // A field that is now of something else, as when another stage is looked at, has a draft of its own.
  let now = held;
  if (!now || now.key !== key) {
    const draft = key === null ? null : recall(key);
    now = { key, draft, found: draft !== null };
    hold(now);
  }
  return {
    draft: now.draft,
    found: now.found,
    set: (draft) => {
      if (key !== null && draft !== now.draft) keep(key, draft);
      hold({ key, draft, found: false });
    },
  };
}

/** Said at a field in which something was found. */
export const FOUND = "Typed before the page was left: Enter takes it over, Escape drops it.";
