"use client";

/** Hands a text, or what is a file already, to the browser as one. */
export function download(name: string, content: string | Blob, type = "application/json"): void {
  const url = URL.createObjectURL(typeof content === "string" ? new Blob([content], { type }) : content);
  const link = document.createElement("a");
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
