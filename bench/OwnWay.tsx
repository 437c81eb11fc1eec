"use client";

import { Signature } from "lucide-react";
import { verdictKey, type Verdict } from "@/core/verdict";
import { useActions, useChamber } from "./context";

/** A limit that somebody passes knowingly: the finding stays what it is, and is marked as their own way. */
export function OwnWay({ verdict }: { verdict: Verdict }) {
  const { record } = useChamber();
  const { change } = useActions();
  const key = verdictKey(verdict);
  const own = record.ownWay.includes(key);
  const put = () =>
    change(
      (r) => ({ ...r, ownWay: own ? r.ownWay.filter((k) => k !== key) : [...r.ownWay, key] }),
      own ? "own way given up" : "own way",
    );
  return (
    <p className="flex flex-wrap items-center gap-3">
      {own && (
        <span className="inline-flex items-center gap-2 font-semibold">
          <Signature size={18} aria-hidden /> You keep to your own way here. The limit stands.
        </span>
      )}
      <button type="button" className="key" onClick={put}>
        {own ? "Take the mark away" : "I keep to my own way"}
      </button>
    </p>
  );
}
