"use client";

import { ListTree, Plus } from "lucide-react";
import { addStage, usualStages } from "@/core/chamber";
import { sayEnds } from "@/core/program";
import { TextField } from "@/parts/fields";
import { useActions, useChamber, usePreferences } from "../context";
import { Fields } from "../Fields";
import { EndFields } from "./EndFields";
import { LibraryKeys } from "./LibraryKeys";
import { TaskFields } from "./TaskFields";
import { WayFields } from "./WayFields";

/** The stage's name and how it ends; a chamber with one stage can become a program here. */
export function StageFields() {
  const { chamber, stage } = useChamber();
  const { apply, change } = useActions();
  const preferences = usePreferences();
  const { stages } = chamber;
  const usual = usualStages(chamber);
  const takeUsual = usual && (
    <button type="button" className="key" onClick={() => change(usual, "the usual stages")}>
      <ListTree size={16} aria-hidden />{" "}
      {stages.length > 1 ? "Begin again with the usual stages" : "Take its usual stages"}
    </button>
  );
  if (stages.length === 1 && stage.ends.length === 0)
    return (
      <p className="flex flex-wrap items-center gap-3">
        <span>It is held like this to the end.</span>
        <button type="button" className="key" onClick={() => change(addStage(stage.id), "another stage")}>
          <Plus size={16} aria-hidden /> Another stage after it
        </button>
        {takeUsual}
        <LibraryKeys />
      </p>
    );
  return (
    <>
      <Fields
        title="This stage"
        note={`It goes on ${sayEnds(stage, chamber, preferences.scale)}. What it does not say itself is as in the stage before.`}
        action={takeUsual}
      >
        <TextField
          label="Name of the stage"
          value={stage.name}
          most={40}
          onCommit={(name) =>
            apply([{ section: "stage", field: "name", id: stage.id, value: name }], "name of the stage")
          }
        />
        <EndFields stage={stage} />
        <WayFields stage={stage} />
      </Fields>
      <TaskFields stage={stage} />
      <p className="flex flex-wrap items-center gap-3">
        <LibraryKeys />
      </p>
    </>
  );
}
