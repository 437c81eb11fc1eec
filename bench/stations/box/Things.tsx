"use client";

import { Trash2 } from "lucide-react";
import { insideOf } from "@/core/chamber";
import { thingNames, usualThing } from "@/core/fit";
import { thingKinds, type Thing } from "@/core/model";
import { measures, printMeasure } from "@/core/quantity";
import { measureKind, NumberField, Select } from "@/parts/fields";
import { useActions, useChamber, usePreferences } from "../../context";

/** What a list calls it. */
const nameOf = (kind: Thing["kind"]): string => {
  const bare = thingNames[kind].replace(/^the /, "");
  return bare.charAt(0).toUpperCase() + bare.slice(1);
};

const MOST = 20;
const fields: [Exclude<keyof Thing, "kind">, string][] = [
  ["x", "from the left"],
  ["y", "from the back"],
  ["z", "over the floor"],
  ["width", "wide"],
  ["depth", "deep"],
  ["height", "high"],
  ["clear", "kept free around it"],
];

/** How far a thing reaches past the inside of the box, m. */
const pastWalls = (t: Thing, { width, depth, height }: ReturnType<typeof insideOf>): number =>
  Math.max(0, t.x + t.width - width, t.y + t.depth - depth, t.z + t.height - height);

/** What is fixed inside and in the way: heater with its clearance, fan, absorber, cable, drain, rails. */
export function Things() {
  const { chamber } = useChamber();
  const { apply } = useActions();
  const { system } = usePreferences();
  const { things } = chamber.build;
  const mm = measureKind(measures.thickness, system);
  const set = (next: Thing[], label: string) => apply([{ section: "build", field: "things", value: next }], label);
  const inside = insideOf(chamber.cabinet);
  const add = (kind: Thing["kind"]) => {
    const size = usualThing[kind];
    // Into the back left corner, a little further to the right for each that is there.
    const x = Math.min(things.length * 0.05, Math.max(0, inside.width - size.width));
    set([...things, { kind, ...size, x, y: 0, depth: Math.min(size.depth, inside.depth) }], "something inside");
  };
  return (
    <section className="grid gap-3" aria-label="Fixed inside">
      <h4 className="text-lg">Fixed inside, each at its place</h4>
      {things.length === 0 && (
        <p className="quiet">Nothing yet. A heater keeps its distance from whatever stands there.</p>
      )}
      <ul className="grid gap-4">
        {things.map((thing, i) => {
          const number = things.slice(0, i + 1).filter((t) => t.kind === thing.kind).length;
          const several = things.filter((t) => t.kind === thing.kind).length > 1;
          const name = `${nameOf(thing.kind)}${several ? ` ${number}` : ""}`;
          return (
            <li key={i} className="rule-line grid gap-2 border-b pb-4">
              <div className="flex items-center justify-between gap-3">
                <strong>{name}</strong>
                <button
                  type="button"
                  className="key"
                  onClick={() =>
                    set(
                      things.filter((_, k) => k !== i),
                      `${name.toLowerCase()} taken out`,
                    )
                  }
                >
                  <Trash2 size={18} aria-hidden /> Take out<span className="sr-only"> {name}</span>
                </button>
              </div>
              {pastWalls(thing, inside) > 0.0005 && (
                <p className="text-error">
                  It reaches{" "}
                  {printMeasure(Math.round(pastWalls(thing, inside) * 1000) / 1000, measures.thickness, system)} past
                  the walls: look at its place and its size.
                </p>
              )}
              <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-4">
                {fields.map(([field, label]) => (
                  <NumberField
                    key={field}
                    label={`${name}: ${label}`}
                    kind={mm}
                    value={thing[field]}
                    onCommit={(value) =>
                      set(
                        things.map((t, k) => (k === i ? { ...t, [field]: value } : t)),
                        `${name.toLowerCase()} ${label}`,
                      )
                    }
                  />
                ))}
              </div>
            </li>
          );
        })}
      </ul>
      {things.length < MOST && (
        <div className="max-w-xs">
          <Select
            label="Put in another"
            value=""
            options={[
              { value: "", label: "Choose what" },
              ...thingKinds.map((kind) => ({ value: kind, label: nameOf(kind) })),
            ]}
            onChoose={(kind) => {
              if (kind) add(kind as Thing["kind"]);
            }}
          />
        </div>
      )}
    </section>
  );
}
