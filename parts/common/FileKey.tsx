"use client";

import { useRef, type ReactNode } from "react";

interface Props {
  /** What is wanted, to a screen reader. */
  label: string;
  /** Kinds of files, as the browser's own choice of files takes them. */
  accept: string;
  /** Gets the file; the same one may be chosen again. */
  onFile: (file: File) => void;
  children: ReactNode;
}

/** A key that asks for a file. */
export function FileKey({ label, accept, onFile, children }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <button type="button" className="key" onClick={() => input.current?.click()}>
        {children}
      </button>
      <input
        ref={input}
        type="file"
        accept={accept}
        className="hidden"
        aria-label={label}
        onChange={(e) => {
          const chosen = e.target.files?.[0];
          if (chosen) onFile(chosen);
          e.target.value = "";
        }}
      />
    </>
  );
}
