"use client";

import Link from "next/link";
import { useState } from "react";
import { acceptLoss, dropRefused, letGo, putBack, settleConflict, troubleWords, useWorkshop } from "@/workshop";

/** What has to be known at once: a write that failed, conflicts between two tabs, a second tab, records set aside. */
export function Notices() {
  const { conflicts, company, quarantine, records, save, trouble, newer, loss, dropped, refused } = useWorkshop();
  const [companySeen, setCompanySeen] = useState(false);
  const [quarantineSeen, setQuarantineSeen] = useState(false);
  const [newerSeen, setNewerSeen] = useState(false);
  const [conflict] = conflicts;
  const mine = conflict ? records[conflict.id] : undefined;
  const name =
    mine?.kind === "chamber" || mine?.kind === "program"
      ? mine.name
      : mine?.kind === "preferences"
        ? "One of your preferences"
        : "This record";
  return (
    <div className="print:hidden">
      {save === "failed" && (
        <p role="alert" className="bg-base-200 border-error border-b-4 px-4 py-2">
          <strong>What you changed last could not be stored yet.</strong>{" "}
          {trouble && `${troubleWords[trouble].title}. ${troubleWords[trouble].mend}`}
        </p>
      )}
      {loss && (
        <div role="alert" className="bg-base-200 border-error flex flex-wrap items-center gap-3 border-b-4 px-4 py-2">
          <p className="grow">
            <strong>
              {loss.chambers === 1 ? "A chamber was stored here" : `${loss.chambers} chambers were stored here`}, last
              on {loss.at.slice(0, 10)}, and {loss.chambers === 1 ? "is" : "are"} gone.
            </strong>{" "}
            The browser has dropped its store, or its data were cleared. A backup brings them back.
          </p>
          <Link href="/preferences#backup" className="key key-strong">
            Bring back a backup
          </Link>
          <button type="button" className="key" onClick={acceptLoss}>
            {loss.chambers === loss.of ? "Begin anew" : "Go on without"}
          </button>
        </div>
      )}
      {dropped.length > 0 && <Dropped ids={dropped} />}
      {refused && (
        <div role="alert" className="bg-base-200 border-warning flex items-center gap-3 border-b-4 px-4 py-1">
          <p className="grow">{refused}</p>
          <button type="button" className="key border-transparent" onClick={dropRefused}>
            Understood
          </button>
        </div>
      )}
      {newer > 0 && !newerSeen && (
        <div role="status" className="bg-base-200 border-warning flex items-center gap-3 border-b-4 px-4 py-1">
          <p className="grow">
            {newer === 1 ? "One record was" : `${newer} records were`} written by a newer Gentle Crock and{" "}
            {newer === 1 ? "is" : "are"} left as {newer === 1 ? "it is" : "they are"}. Load the page anew to get the
            newer one.
          </p>
          <button type="button" className="key border-transparent" onClick={() => setNewerSeen(true)}>
            Later
          </button>
        </div>
      )}
      {conflict && (
        <div
          role="alertdialog"
          aria-label="Changed in another tab"
          className="bg-base-200 border-error flex flex-wrap items-center gap-3 border-b-4 px-4 py-2"
        >
          <p className="grow">
            <strong>{name}</strong> was changed in another tab
            {conflict.theirs ? "" : " (removed there, or dropped by the browser)"} while you changed it here. Nothing is
            lost yet: which one counts?
            {conflicts.length > 1 && ` ${conflicts.length - 1} more will be asked about after it.`}
          </p>
          <button type="button" className="key" onClick={() => void settleConflict(conflict.id, "theirs")}>
            Take the other tab&rsquo;s
          </button>
          <button type="button" className="key key-strong" onClick={() => void settleConflict(conflict.id, "mine")}>
            Keep what is here
          </button>
        </div>
      )}
      {company && !companySeen && (
        <div role="status" className="bg-base-200 rule-line flex items-center gap-3 border-b px-4 py-1">
          <p className="grow">
            Gentle Crock is open in another tab too. What is changed there appears here, and the other way round.
          </p>
          <button type="button" className="key border-transparent" onClick={() => setCompanySeen(true)}>
            Understood
          </button>
        </div>
      )}
      {quarantine.length > 0 && !quarantineSeen && (
        <div
          role="status"
          className="bg-base-200 border-warning flex flex-wrap items-center gap-3 border-b-4 px-4 py-1"
        >
          <p className="grow">
            {quarantine.length === 1 ? "One record" : `${quarantine.length} records`} could not be read and{" "}
            {quarantine.length === 1 ? "was" : "were"} set aside, whole.
          </p>
          <Link href="/preferences#aside" className="key">
            See what it is
          </Link>
          <button type="button" className="key border-transparent" onClick={() => setQuarantineSeen(true)}>
            Later
          </button>
        </div>
      )}
    </div>
  );
}

/** What the store has lost while this page stood open, and the way to put it back. */
function Dropped({ ids }: { ids: readonly string[] }) {
  const records = useWorkshop((s) => s.records);
  const names = ids.flatMap((id) => {
    const record = records[id];
    return record?.kind === "chamber" || record?.kind === "program" ? [record.name] : [];
  });
  const said = names.slice(0, 3).join("; ");
  const more = names.length > 3 ? ` and ${names.length - 3} more` : "";
  return (
    <div role="alert" className="bg-base-200 border-error flex flex-wrap items-center gap-3 border-b-4 px-4 py-2">
      <p className="grow">
        <strong>
          {names.length > 0 ? `${said}${more}: no longer stored.` : "Your preferences are no longer stored."}
        </strong>{" "}
        The browser’s data were cleared, or another tab has removed this. Nothing is lost yet: this page still holds all
        of it. Keep the page open until it is stored again. Readings of recorded rooms are not in it.
      </p>
      <button type="button" className="key key-strong" onClick={putBack}>
        Store it all again
      </button>
      <button type="button" className="key" onClick={letGo}>
        Let it go
      </button>
    </div>
  );
}
