"use client";

import { useMemo } from "react";
import { hasLid, isBath, vesselName } from "@/core/chamber";
import {
  BETWEEN,
  boxFit,
  FLAT_AIR,
  flatSize,
  isAiry,
  isFlat,
  isPiece,
  liftOf,
  mostAlike,
  mostLaid,
  swingOf,
  TO_WALLS,
  type BoxFit,
} from "@/core/fit";
import type { Chamber, Edit, LoadedVessel, Spot } from "@/core/model";
import { measures, printMeasure } from "@/core/quantity";
import { Elevation, Plan } from "@/parts/fit";
import { measureKind } from "@/parts/fields";
import { useActions, useChamber, usePreferences } from "../../context";
import { Fields } from "../../Fields";
import { ValueField } from "../../ValueField";
import { OutlineFields } from "./OutlineFields";
import { Things } from "./Things";

/** On what a vessel stands whose middle lies there. */
function standsOn({ space }: BoxFit, x: number, y: number, before: Spot["on"]): Spot["on"] {
  if (before === "shelf") return "shelf";
  const hump = space.levels.find((l) => l.on === "hump");
  return hump && x > hump.x0 && x < hump.x1 && y < hump.y1 ? "hump" : "floor";
}

/** Whether all goes in, drawn to scale; what is in the way, and the outline of each vessel. */
export function Fit() {
  const { chamber } = useChamber();
  const { apply } = useActions();
  const { system } = usePreferences();
  const fit = boxFit(chamber);
  const { placed, space } = fit;
  const length = measureKind(measures.length, system);
  const mm = measureKind(measures.thickness, system);
  const metre = Math.min(
    320 / Math.max(space.width, 0.1),
    320 / Math.max(space.depth, 0.1),
    420 / Math.max(space.height, 0.1),
  );
  const move = (index: number, to: { x: number; y: number; turned: boolean }) => {
    const of = placed[index]!;
    const at = chamber.vessels.find((v) => v.id === of.id)!;
    // All of its kind are held where they are, so that one that is moved pushes no other.
    const spots = placed
      .filter((p) => p.id === of.id)
      .map((p): Spot => {
        const { x, y, turned } = p === of ? to : p.at;
        const inside = (m: number, most: number) => Math.min(Math.max(m, 0), most);
        const spot = { x: inside(x, space.width), y: inside(y, space.depth) };
        return { ...spot, turned, on: p === of ? standsOn(fit, spot.x, spot.y, p.on) : p.on };
      });
    apply(
      [{ section: "vessel", field: "spots", id: at.id, value: spots }],
      "place of a vessel",
      `spot:${at.id}:${index}`,
    );
  };
  const field = (
    name: "humpWidth" | "humpDepth" | "humpHeight" | "shelfAt" | "doorShelf" | "ceiling" | "rim",
    label: string,
    hint?: string,
  ) => (
    <ValueField
      at={{ section: "build", field: name }}
      label={label}
      kind={length}
      value={chamber.build[name]}
      hint={hint}
    />
  );
  return (
    <section className="grid gap-4" aria-label="Does it fit?">
      <p className="text-lg" aria-live="polite">
        <strong>{!fit.fits ? "It does not fit." : isAiry(fit) ? "It fits." : "It fits, close together."}</strong>{" "}
        <Answer fit={fit} />
      </p>
      {(placed.length > 0 || fit.laid.length > 0) && (
        <div className="flex flex-wrap items-start gap-6">
          <Plan fit={fit} metre={metre} system={system} onMove={move} />
          <Elevation fit={fit} metre={metre} system={system} />
        </div>
      )}
      {placed.length > 0 && (
        <>
          <p className="quiet max-w-prose">
            Drag a vessel in the plan, or move it with the arrow keys; R turns it. With{" "}
            {printMeasure(TO_WALLS, measures.thickness, system)} to the walls and{" "}
            {printMeasure(BETWEEN, measures.thickness, system)} between.{" "}
            {chamber.vessels.some((v) => v.spots.length > 0) && (
              <button
                type="button"
                className="key"
                onClick={() =>
                  apply(
                    chamber.vessels.map((v): Edit => ({
                      section: "vessel",
                      field: "spots",
                      id: v.id,
                      value: undefined,
                    })),
                    "places found by themselves",
                  )
                }
              >
                Let all find their places again
              </button>
            )}
          </p>
          <Lifts />
          <Opening />
        </>
      )}
      <Fields title="In the way inside" note="Measure your own: none of it is assumed. 0 is none.">
        {field("humpDepth", "Hump: depth", "Over the compressor, at the back.")}
        {field("humpHeight", "Hump: height")}
        {field("humpWidth", "Hump: width", "0: the whole width.")}
        {field("shelfAt", "A shelf that stays, at", "Its top over the floor.")}
        {field("doorShelf", "Shelves in the door take", "Of the depth.")}
        {field("ceiling", "Hanging from the ceiling", "Plate, light, inner face of a lid.")}
        {hasLid(chamber.cabinet.kind) && field("rim", "Rim of the opening stands in", "On each side, under the lid.")}
      </Fields>
      <Things />
      {chamber.vessels
        .filter((v) => !isPiece(v))
        .map((v) => (
          <OutlineFields key={v.id} vessel={v} several={chamber.vessels.length > 1} length={length} mm={mm} />
        ))}
    </section>
  );
}

function Answer({ fit }: { fit: BoxFit }) {
  const { chamber } = useChamber();
  const { system } = usePreferences();
  const short = (m: number) => printMeasure(Math.round(m * 1000) / 1000, measures.thickness, system);
  const [first] = chamber.vessels;
  const found = (id: string, laid: number) => {
    const vessel = chamber.vessels.find((v) => v.id === id);
    return `${laid} of ${vessel?.count ?? 0} ${vessel && isFlat(vessel) ? "trays find a place" : "find a place in rows"}`;
  };
  // Where a vessel stands changes nothing of how many go in.
  const asked = JSON.stringify([chamber.cabinet, chamber.build, { ...first!, spots: [] }]);
  const most = useMemo(() => {
    const [cabinet, build, vessel] = JSON.parse(asked) as [Chamber["cabinet"], Chamber["build"], LoadedVessel];
    return mostAlike({ cabinet, build }, vessel);
  }, [asked]);
  if (!fit.fits)
    return (
      <>
        {fit.shorts
          .map(({ height, width, between, under, crowded, laid, vessel }) =>
            [
              height > 0 ? `${short(height)} too tall under ${under}` : "",
              width > 0 ? `${short(width)} too wide${between === "opening" ? " for the opening" : ""}` : "",
              crowded && laid !== undefined ? found(vessel, laid) : "",
              crowded && laid === undefined ? "no place beside the others, or not where it was put" : "",
            ]
              .filter(Boolean)
              .join(", "),
          )
          .filter(Boolean)
          .join("; ")}
        {fit.shorts.length > 0 ? ". " : ""}What would make it fit stands with the finding.
      </>
    );
  if (isFlat(first!)) {
    if (isBath(chamber.cabinet.kind)) return null;
    const { all, layers } = mostLaid(fit.space, flatSize(first!));
    const lie = `${isPiece(first!) ? "Hung they go by their volume. " : ""}Laid on grids with ${short(FLAT_AIR.beside)} beside each and ${short(FLAT_AIR.over)} over it`;
    if (all === 0) return <>{`${lie} not one goes in.`}</>;
    const which = chamber.vessels.length > 1 ? "of vessel 1 alone" : "of them";
    return <>{`${lie} at least ${all} ${which} find a place, in ${layers} ${layers === 1 ? "layer" : "layers"}.`}</>;
  }
  if (most <= 0) return null;
  return (
    <>
      {most === 1
        ? `One such ${vesselName(first!)} goes in, and no second one.`
        : `At least ${most} such ${vesselName(first!)}s find a place.`}
    </>
  );
}

function Lifts() {
  const { chamber } = useChamber();
  const { system } = usePreferences();
  return (
    <ul className="grid max-w-prose gap-1">
      {chamber.vessels
        .filter((v) => !isFlat(v))
        .map((v, i) => {
          const { height, mass, hands } = liftOf(chamber, v);
          const how = {
            one: "one person lifts that",
            two: "be two, or fill it in its place",
            "fill it there": "too heavy for that even by two: empty it first, or fill it in its place",
          }[hands];
          return (
            <li key={v.id}>
              {chamber.vessels.length > 1 ? `Vessel ${i + 1} is` : "It is"} about{" "}
              {printMeasure(Math.round(mass), measures.mass, system)} full, lifted{" "}
              {printMeasure(Math.round(height * 100) / 100, measures.length, system)} high: {how}.
            </li>
          );
        })}
    </ul>
  );
}

/** What a door or a lid takes of the room as it opens. */
function Opening() {
  const { chamber } = useChamber();
  const { system } = usePreferences();
  const { front, up } = swingOf(chamber);
  const long = (m: number) => printMeasure(Math.round(m * 100) / 100, measures.length, system);
  if (front === 0 && up === 0) return null;
  return (
    <p className="max-w-prose">
      {front > 0
        ? `Its door swings ${long(front)} out in front: keep that free, and more to stand there with a full vessel.`
        : `With its lid open it stands ${long(up)} high: look what hangs above it.`}
    </p>
  );
}
