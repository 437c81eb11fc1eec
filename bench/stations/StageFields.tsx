"use client";

import { Plus } from "lucide-react";
import { addStage } from "@/core/chamber";
import type { StageEnd } from "@/core/model";
import { sayEnds } from "@/core/program";
import { hoursKind, NumberField, TextField } from "@/parts/fields";
import { useActions, useChamber, usePreferences } from "../context";
import { Fields } from "../Fields";

/** The stage's name and how long it goes on; a chamber with one stage can become a program here. */
export function StageFields() {
  const { chamber, stage } = useChamber();
  const { apply, change } = useActions();
  const preferences = usePreferences();
  const { stages } = chamber;
  if (stages.length === 1)
    return (
      <p className="flex flex-wrap items-center gap-3">
        <span>It is held like this to the end.</span>
        <button type="button" className="key" onClick={() => change(addStage(stage.id), "another stage")}>
          <Plus size={16} aria-hidden /> Another stage after it
        </button>
      </p>
    );
  const put = (ends: StageEnd[], label: string) =>
    apply([{ section: "stage", field: "ends", id: stage.id, value: ends }], label);
  const [only] = stage.ends;
  const plain = stage.ends.length === 0 || (stage.ends.length === 1 && only!.kind === "after");
  const last = stages.at(-1)!.id === stage.id;
  return (
    <Fields
      title="This stage"
      note={`It goes on ${sayEnds(stage, chamber, preferences.scale)}. What it does not say itself is as in the stage before.`}
    >
      <TextField
        label="Name of the stage"
        value={stage.name}
        most={40}
        onCommit={(name) =>
          apply([{ section: "stage", field: "name", id: stage.id, value: name }], "name of the stage")
        }
      />
      {plain && (
        <NumberField
          label="It goes on for"
          kind={hoursKind}
          value={only?.kind === "after" ? only.seconds : 0}
          onCommit={(seconds) => put(seconds > 0 ? [{ kind: "after", seconds }] : [], "length of the stage")}
          hint={last ? "0: to the end." : "0: it has no end, and what follows never begins."}
        />
      )}
    </Fields>
  );
}
