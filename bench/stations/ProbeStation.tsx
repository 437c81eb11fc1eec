"use client";

import { Plus, X } from "lucide-react";
import { addProbe, removeProbe, seatProbe } from "@/core/chamber";
import { probePlaces, type PlacedProbe } from "@/core/model";
import { controllerName } from "@/core/program";
import { offsetFor, placeLabel, placements, probeMove } from "@/core/probe";
import { kelvins, printDifference } from "@/core/quantity";
import { cautionsAt } from "@/core/safety";
import { CabinetDrawing } from "@/parts/cabinet";
import { Cautions, Fold } from "@/parts/common";
import { Choice, differenceKind, percentKind, plainKind, Select } from "@/parts/fields";
import { useActions, useChamber, usePreferences } from "../context";
import { Fields } from "../Fields";
import { ValueField } from "../ValueField";
import { UnitPicker } from "./UnitPicker";

export function ProbeStation() {
  const { chamber, stage, controller, unit, control } = useChamber();
  const { apply } = useActions();
  const preferences = usePreferences();
  const { scale, system } = preferences;
  const probe = chamber.probes.find((p) => p.id === controller.probes[0])!;
  const { id } = probe;
  const several = chamber.controllers.length > 1;
  const options = probePlaces.map((place) => ({
    value: place,
    label: placeLabel(place, chamber.cabinet),
    note: placements[place].trade,
  }));
  return (
    <>
      {several && <UnitPicker />}
      <div className="flex flex-wrap gap-6">
        <div className="grid min-w-0 grow basis-[min(24rem,100%)] gap-4">
          <Choice
            label={several ? `Where the probe of ${controllerName(chamber, controller.id)} sits` : "Where it sits"}
            layout="column"
            value={probe.place}
            options={options}
            onChoose={(place) => apply(probeMove(place, id), "probe place")}
          />
          <Seat probe={probe} />
        </div>
        <CabinetDrawing chamber={chamber} metre={190} system={system} />
      </div>
      <Fields
        title="How true it is"
        note={`Ice water is ${scale === "C" ? "0\u00a0°C" : "32\u00a0°F"}: what the display shows there above it is the error. The offset to key in is true minus shown: ${printDifference(offsetFor(probe), scale, 0.1, true)}. A difference between top and bottom of the box is no error of the probe: leave it out of the offset.`}
      >
        <ValueField
          at={{ section: "probe", field: "error", id }}
          label="Shows too high by"
          kind={differenceKind(scale, 0.1, true)}
          value={probe.error}
          hint="Negative where it shows too low."
        />
        <ValueField
          at={{ section: "settings", field: "offset", id: controller.id, stage: stage.id }}
          label="Probe offset, keyed in"
          kind={differenceKind(scale, unit.resolution, true)}
          value={control.settings.offset}
        />
      </Fields>
      <Fold summary="How quick, how quiet, how fine it is">
        <Fields
          title="The sensor in its place"
          note="Estimates for the place; a step into ice water and back shows your own."
        >
          <ValueField
            at={{ section: "probe", field: "lag", id }}
            label="Time constant"
            kind={plainKind("s", 5)}
            value={probe.lag}
            hint="After this long it has followed 63 % of a change."
          />
          <ValueField
            at={{ section: "probe", field: "share", id }}
            label="Share of the product"
            kind={percentKind}
            value={probe.share}
            hint="The rest of what it feels is the air around it."
          />
          <ValueField
            at={{ section: "probe", field: "noise", id }}
            label="Noise"
            kind={differenceKind(scale, 0.01)}
            value={probe.noise}
            hint="Standard deviation of one reading."
          />
          <ValueField
            at={{ section: "probe", field: "step", id }}
            label="Step of the sensor"
            kind={differenceKind(scale, 0.01)}
            value={probe.step}
            hint={`${printDifference(kelvins(0.0625), scale, 0.01)} for a 12-bit digital one; 0: none.`}
          />
        </Fields>
      </Fold>
      <OtherProbes />
      <Cautions cautions={cautionsAt("probe")} />
    </>
  );
}

/** In or on which of several vessels a probe sits. */
function Seat({ probe }: { probe: PlacedProbe }) {
  const { chamber } = useChamber();
  const { change } = useActions();
  const { vessels } = chamber;
  if (vessels.length === 1 || probe.place === "air" || probe.place === "room" || probe.place === "waterBottle")
    return null;
  const number = chamber.probes.findIndex((p) => p.id === probe.id) + 1;
  return (
    <div className="w-80 max-w-full">
      <Select
        label={`Probe ${number} is in or on`}
        value={probe.in}
        options={vessels.map((v, i) => ({ value: v.id, label: `Vessel ${i + 1}` }))}
        onChoose={(vessel) => change(seatProbe(probe.id, vessel), `vessel of probe ${number}`)}
      />
    </div>
  );
}

/** The probes that this unit does not read: those of others, and those that only watch. */
function OtherProbes() {
  const { chamber, controller } = useChamber();
  const { apply, change } = useActions();
  const others = chamber.probes.filter((p) => p.id !== controller.probes[0]);
  return (
    <section className="grid gap-2">
      <h3 className="text-lg">Other probes</h3>
      {others.length === 0 && (
        <p className="quiet">None. A second one shows in the trial what the first does not feel.</p>
      )}
      {others.map((probe) => {
        const number = chamber.probes.indexOf(probe) + 1;
        const readers = chamber.controllers.filter((c) => c.probes.includes(probe.id));
        return (
          <div key={probe.id} className="flex flex-wrap items-end gap-3">
            <div className="w-80 max-w-full">
              <Select
                label={`Probe ${number}${readers.length ? `, read by ${readers.map((c) => controllerName(chamber, c.id)).join(", ")}` : ", watching"}`}
                value={probe.place}
                options={probePlaces.map((place) => ({ value: place, label: placeLabel(place, chamber.cabinet) }))}
                onChoose={(place) => apply(probeMove(place, probe.id), `probe ${number}`)}
              />
            </div>
            <Seat probe={probe} />
            {readers.length === 0 && (
              <button
                type="button"
                className="key px-2"
                onClick={() => change(removeProbe(probe.id), `probe ${number} removed`)}
              >
                <X size={16} aria-hidden /> Take it out<span className="sr-only">: probe {number}</span>
              </button>
            )}
          </div>
        );
      })}
      {chamber.probes.length < 6 && (
        <button type="button" className="key justify-self-start" onClick={() => change(addProbe, "another probe")}>
          <Plus size={18} aria-hidden /> Another probe, to watch
        </button>
      )}
    </section>
  );
}
