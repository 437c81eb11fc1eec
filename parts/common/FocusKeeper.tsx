"use client";

import { useEffect } from "react";

const FOCUSABLE =
  "a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), summary, [tabindex]:not([tabindex='-1'])";

/** Whether somebody can see it and go there. */
const stands = (e: Element): e is HTMLElement => e instanceof HTMLElement && e.isConnected && e.offsetParent !== null;

/**
 * Where the focus goes when what had it is gone or can no longer be used: to what follows in the nearest part that still
 * stands, else to the heading of it.
 * @param path what had it and what it stood in, from within
 */
function heirOf(path: readonly Element[]): HTMLElement | null {
  for (const around of path.slice(1)) {
    if (!around.isConnected || around === document.body || around === document.documentElement) continue;
    if (around.closest("[inert]")) continue;
    const next = [...around.querySelectorAll(FOCUSABLE)].find(stands);
    if (next) return next;
    const heading = headingIn(around);
    if (heading) return heading;
  }
  return null;
}

function headingIn(around: ParentNode): HTMLElement | null {
  const heading = [...around.querySelectorAll("h1, h2, h3")].find((e) => stands(e) && !e.classList.contains("sr-only"));
  if (!(heading instanceof HTMLElement)) return null;
  heading.tabIndex = -1;
  heading.style.outline = "none";
  return heading;
}

/** Until another page stands after the one that was left, ms. */
const PAGE = 400;

/** Sees to it that the keyboard never loses its place: a key that vanishes with its press hands the focus on. */
export function FocusKeeper() {
  useEffect(() => {
    let path: Element[] = [];
    let waiting: ReturnType<typeof setTimeout> | undefined;
    const lost = () => !document.activeElement || document.activeElement === document.body;
    const remember = (event: FocusEvent) => {
      path = event.composedPath().filter((e) => e instanceof Element);
    };
    const look = () => {
      const [last] = path;
      if (!last || (last.isConnected && !last.matches(":disabled"))) return;
      if (!lost() && document.activeElement !== last) return;
      const heir = heirOf(path);
      path = [];
      if (heir) heir.focus({ preventScroll: true });
      else waiting = setTimeout(() => lost() && headingIn(document)?.focus({ preventScroll: true }), PAGE);
    };
    const watch = new MutationObserver(look);
    /** Somebody left the field and went nowhere: that place is not to be held for them. */
    const leave = (event: FocusEvent) => {
      const left = event.target;
      if (event.relatedTarget === null)
        setTimeout(() => left === path[0] && left instanceof Element && left.isConnected && lost() && (path = []));
    };
    document.addEventListener("focusin", remember);
    document.addEventListener("focusout", leave);
    watch.observe(document.body, { subtree: true, childList: true, attributes: true, attributeFilter: ["disabled"] });
    return () => {
      document.removeEventListener("focusin", remember);
      document.removeEventListener("focusout", leave);
      watch.disconnect();
      clearTimeout(waiting);
    };
  }, []);
  return null;
}
