"use client";

import { Ellipsis } from "lucide-react";
import { useEffect, useRef, type ReactNode } from "react";

interface Props {
  label: string;
  /** What stands in it: buttons and links that look like `menuItem`; one that takes the focus elsewhere says `data-away`. */
  children: ReactNode;
  /** Said under its key once it has shut. */
  note?: ReactNode;
}

/** A key that opens a short list of things to do; a press outside or Escape shuts it. */
export function Menu({ label, children, note }: Props) {
  const menu = useRef<HTMLDetailsElement>(null);
  const close = (back: boolean) => {
    if (!menu.current?.open) return;
    menu.current.open = false;
    if (back) menu.current.querySelector("summary")?.focus();
  };
  useEffect(() => {
    const outside = (event: Event) => {
      if (!menu.current?.contains(event.target as Node)) close(false);
    };
    document.addEventListener("pointerdown", outside);
    document.addEventListener("focusin", outside);
    return () => {
      document.removeEventListener("pointerdown", outside);
      document.removeEventListener("focusin", outside);
    };
  }, []);
  return (
    <details
      ref={menu}
      className="relative"
      onKeyDown={(event) => {
        if (event.key !== "Escape") return;
        event.preventDefault();
        close(true);
      }}
    >
      <summary className="key list-none border-transparent px-0" aria-label={label}>
        <Ellipsis size={18} aria-hidden />
      </summary>
      <div
        data-clips
        onClick={(event) => {
          const item = (event.target as Element).closest("button, a");
          if (item) close(!item.hasAttribute("data-away"));
        }}
        className="bg-base-100 border-base-content absolute right-0 z-20 grid w-max max-w-[80vw] min-w-48 border-2 py-1"
      >
        {children}
      </div>
      {note}
    </details>
  );
}

/** How an item of a menu looks, be it a button or a link. */
export const menuItem = "hover:bg-base-200 flex min-h-11 items-center gap-2 px-4 text-left";
