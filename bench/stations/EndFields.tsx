"use client";

import type { Chamber, Named, Stage, StageEnd } from "@/core/model";
import { waitedFor } from "@/core/chamber";
import { modelOf } from "@/core/product";
import { atFirst } from "@/core/quantity";
import { judgedName } from "@/core/trial";
import { hoursKind, NumberField, Select } from "@/parts/fields";
import { useActions, useChamber, usePreferences } from "../context";
import { figureKind } from "../figureKind";

/** What a stage can wait for: figures of the products, and their temperature; of several vessels of one product, of all. */
function figuresOf(chamber: Chamber, stage: Stage) {
  const { vessels } = chamber;
  const alike = waitedFor(chamber).of === "vessels";
  const whole = alike ? [{ ...vessels[0]!, id: "", of: "vessels" as const }] : [];
  return [...whole, ...vessels.map((v) => ({ ...v, of: "vessel" as const }))].flatMap(({ id, of, product }) => {
    const whose = of === "vessels" ? "every vessel: " : vessels.length > 1 ? `${judgedName(id, vessels)}: ` : "";
    return [
      {
        id,
        of,
        name: "temperature",
        label: `${whose}temperature`,
        unit: "temperature" as const,
        limit: null,
        now: stage.low,
      },
      ...modelOf(product)
        .observables.filter((o) => !o.speaks || o.speaks(product))
        .map((o) => ({
          id,
          of,
          name: o.name,
          label: `${whose}${o.label}`,
          unit: o.unit,
          limit: o.limit?.(product) ?? null,
          now: 0,
        })),
    ];
  });
}

/** How a stage ends: after a time, at a figure of what is in it, or when somebody says so. */
export function EndFields({ stage }: { stage: Named<Stage> }) {
  const { chamber } = useChamber();
  const { apply } = useActions();
  const { scale } = usePreferences();
  const figures = figuresOf(chamber, stage);
  const [end] = stage.ends;
  const last = chamber.stages.at(-1)!.id === stage.id;
  const put = (next: StageEnd[], label = "end of the stage", merge?: string) =>
    apply([{ section: "stage", field: "ends", id: stage.id, value: next }], label, merge);
  // More than one way to end, or one by the clock or a date, is said in words above and left as it is.
  if (stage.ends.length > 1 || end?.kind === "clock" || end?.kind === "date") return null;
  const key = (f: { id: string; name: string }) => `reaches ${f.id} ${f.name}`;
  const chosen = !end ? "never" : end.kind === "reaches" ? key({ ...end.observable }) : end.kind;
  const figure = figures.find((f) => key(f) === chosen);
  const choose = (value: string) => {
    if (value === "never") put([]);
    else if (value === "after") put([{ kind: "after", seconds: 86_400 }]);
    else if (value === "confirmed") put([{ kind: "confirmed", after: 0 }]);
    else {
      const f = figures.find((one) => key(one) === value)!;
      const { side = "atLeast", value: limit = f.now } = f.limit ?? {};
      put([
        {
          kind: "reaches",
          observable: { of: f.of, id: f.id, name: f.name },
          comparison: side,
          value: limit,
          heldFor: 0,
        },
      ]);
    }
  };
  return (
    <>
      <Select
        label="It ends"
        value={chosen}
        options={[
          { value: "never", label: last ? "Never: to the end" : "Never: what follows does not begin" },
          { value: "after", label: "After a time" },
          { value: "confirmed", label: "When somebody says so" },
          ...figures.map((f) => ({ value: key(f), label: `At: ${atFirst(f.label)}` })),
          // One that is waited for of something that is no longer there.
          ...(end?.kind === "reaches" && !figure ? [{ value: chosen, label: "At a figure that is not there" }] : []),
        ]}
        onChoose={choose}
      />
      {end?.kind === "after" && (
        <NumberField
          label="It goes on for"
          kind={hoursKind}
          value={end.seconds}
          onCommit={(seconds) => put(seconds > 0 ? [{ kind: "after", seconds }] : [], "length of the stage")}
          hint={last ? "0: to the end." : "0: it has no end, and what follows never begins."}
        />
      )}
      {end?.kind === "confirmed" && (
        <NumberField
          label="Not before"
          kind={hoursKind}
          value={end.after}
          onCommit={(after) => put([{ kind: "confirmed", after }], "earliest end of the stage")}
          hint="From the beginning of the stage."
        />
      )}
      {end?.kind === "reaches" && figure && (
        <>
          <Select
            label="It has to be"
            value={end.comparison}
            options={[
              { value: "atLeast", label: "At this or more" },
              { value: "atMost", label: "At this or less" },
            ]}
            onChoose={(comparison) => put([{ ...end, comparison }])}
          />
          <NumberField
            label={atFirst(figure.label)}
            kind={figureKind(figure.unit, scale)}
            value={end.value}
            onCommit={(value, merge) => put([{ ...end, value }], "end of the stage", merge)}
          />
          <NumberField
            label="Without a break for"
            kind={hoursKind}
            value={end.heldFor}
            onCommit={(heldFor) => put([{ ...end, heldFor }])}
            hint="0: at once."
          />
        </>
      )}
      {end && end.kind !== "after" && (
        <NumberField
          label="At the latest after"
          kind={hoursKind}
          value={stage.latest}
          onCommit={(latest) =>
            apply([{ section: "stage", field: "latest", id: stage.id, value: latest }], "latest end of the stage")
          }
          hint="0: it waits as long as it takes."
        />
      )}
    </>
  );
}
