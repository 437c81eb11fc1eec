"use client";

import { useMemo, useState } from "react";
import { changedDefaults, filled, keepDefaults, takeDefaults } from "@/core/chamber";
import { atFirst } from "@/core/quantity";
import { verdictKey, type Verdict } from "@/core/verdict";
import { pool, whyLost, type TrialAnswer } from "@/workers";
import { useActions, useChamber, usePreferences, useShownTrial } from "./context";
import { wholeOf } from "./trial/figures";
import { TrialFigures } from "./trial/TrialFigures";
import { VerdictTitle } from "./VerdictTitle";

/** Where usual values have been improved since this chamber was made: what they were, what they do, and the choice. */
export function ToldDefaults() {
  const { record } = useChamber();
  const { live, judged } = useShownTrial();
  const { change } = useActions();
  const preferences = usePreferences();
  const { scale } = preferences;
  const changes = useMemo(() => changedDefaults(record, filled(record)), [record]);
  const [then, setThen] = useState<{ of: typeof record; answer: TrialAnswer | string | null } | null>(null);
  if (changes.length === 0) return null;
  const corrected = changes.filter((c) => c.danger);
  const better = changes.filter((c) => !c.danger);
  const compared = then?.of === record ? then.answer : undefined;
  const before = live.of?.record === record && !live.busy ? live.answer : null;
  const compare = () => {
    const of = record;
    setThen({ of, answer: null });
    void pool
      .run("trial", { record: takeDefaults(of), days: live.of?.days ?? 7, scale })
      .catch((error: unknown) => whyLost(error))
      .then((answer) => setThen({ of, answer }));
  };
  const list = (some: typeof changes) => (
    <ul className="list-disc pl-5">
      {some.map(({ label, then: was, now, why, print, at }) => (
        <li key={`${label}${at.id}`}>
          <strong>
            {label}: {print(was, scale)} then, {print(now, scale)} now.
          </strong>{" "}
          {why}
        </li>
      ))}
    </ul>
  );
  return (
    <section aria-label="Usual values that have changed" className="border-info grid grid-cols-1 gap-2 border-l-4 pl-4">
      {corrected.length > 0 && (
        <>
          <p className="text-error font-semibold">
            Usual values of this chamber were mended, because what stood there hid a danger. The new ones are in force.
          </p>
          {list(corrected)}
        </>
      )}
      {better.length > 0 && (
        <>
          <p>
            Since this chamber was made, some usual values have changed. It keeps those that it was made with until you
            decide:
          </p>
          {list(better)}
        </>
      )}
      {compared === null && <p role="status">Running its trial with the new values …</p>}
      {typeof compared === "string" && <p role="alert">It could not be compared: {compared}.</p>}
      {compared && typeof compared === "object" && before && (
        <div className="grid grid-cols-1 gap-2">
          <h3 className="text-lg">What the new values change in its trial</h3>
          <VerdictChanges before={before.verdicts} after={compared.verdicts} />
          <TrialFigures
            of={wholeOf(compared.trial)}
            before={wholeOf(before.trial)}
            scale={scale}
            judged={atFirst(judged)}
            changed
            heads={["As made", "With the new"]}
          />
        </div>
      )}
      <div className="flex flex-wrap gap-2">
        {better.length > 0 && !compared && (
          <button type="button" className="key" onClick={compare} disabled={!before || compared === null}>
            See what they would change
          </button>
        )}
        <button type="button" className="key key-strong" onClick={() => change(takeDefaults, "new usual values")}>
          {better.length > 0 ? "Take the new values" : "Understood"}
        </button>
        {better.length > 0 && (
          <button type="button" className="key" onClick={() => change(keepDefaults(changes), "usual values kept")}>
            Keep them as my own
          </button>
        )}
      </div>
    </section>
  );
}

/** Verdicts that go and that come. */
function VerdictChanges({ before, after }: { before: readonly Verdict[]; after: readonly Verdict[] }) {
  const only = (some: readonly Verdict[], others: readonly Verdict[]) =>
    some.filter((v) => !others.some((o) => verdictKey(o) === verdictKey(v) && o.severity === v.severity));
  const [gone, come] = [only(before, after), only(after, before)];
  if (gone.length + come.length === 0) return <p>Its verdicts stay the same.</p>;
  return (
    <dl className="grid gap-1">
      {[
        { name: "Goes", list: gone },
        { name: "Comes", list: come },
      ].flatMap(({ name, list }) =>
        list.map((v) => (
          <div key={name + verdictKey(v)} className="flex gap-2">
            <dt className="w-16 shrink-0">{name}</dt>
            <dd>
              <VerdictTitle verdict={v} />
            </dd>
          </div>
        )),
      )}
    </dl>
  );
}
