"use client";

import { Plus } from "lucide-react";
import dynamic from "next/dynamic";
import { addDevice, coolersFor, hasOwnAir } from "@/core/chamber";
import type { DeviceRecord } from "@/core/model";
import { cautionsAt } from "@/core/safety";
import { Cautions, Contained, Fold } from "@/parts/common";
import { useActions, useChamber } from "../context";
import { ColdDevice } from "./ColdDevice";
import { DeviceHead } from "./DeviceHead";
import { HeatDevice } from "./HeatDevice";
import { PlainDevice } from "./PlainDevice";

// They come with the station, or with their first opening.
const Worst = dynamic(() => import("./heat/Worst").then((m) => m.Worst), { ssr: false });
const Touch = dynamic(() => import("./heat/Touch").then((m) => m.Touch), { ssr: false });
const IceTimes = dynamic(() => import("./heat/IceTimes").then((m) => m.IceTimes), { ssr: false });
const Seasons = dynamic(() => import("./heat/Seasons").then((m) => m.Seasons), { ssr: false });
const Beside = dynamic(() => import("./heat/Beside").then((m) => m.Beside), { ssr: false });

const words: Record<DeviceRecord["device"], string> = {
  heater: "Another heater",
  cooler: "Another cooler",
  fan: "A fan on an outlet",
  light: "A light",
};
const MOST = 16;

/** Everything that heats, cools, stirs and shines, each with the outlet that it hangs on. */
export function HeatStation() {
  const { chamber, record } = useChamber();
  const { change } = useActions();
  const { heaters, coolers, fans, lights, cabinet } = chamber;
  const kinds: DeviceRecord["device"][] = coolersFor(cabinet.kind).some((k) => k !== "none")
    ? ["heater", "cooler", "fan", "light"]
    : ["heater", "fan", "light"];
  const there = [...heaters.map((h) => h.kind), ...coolers.map((c) => c.kind)];
  return (
    <>
      <Contained name="the worst hour">
        <Worst />
      </Contained>
      <hr className="rule-line" />
      {heaters.map((heater) => (
        <section key={heater.id} className="grid gap-4">
          <DeviceHead id={heater.id} at={heater.at} name="heater" list={heaters} />
          <HeatDevice heater={heater} />
        </section>
      ))}
      {heaters.length > 0 && coolers.length > 0 && <hr className="rule-line" />}
      {coolers.map((cooler) => (
        <section key={cooler.id} className="grid gap-4">
          <DeviceHead id={cooler.id} at={cooler.at} name="cooler" list={coolers} />
          <ColdDevice cooler={cooler} />
        </section>
      ))}
      {fans.map((fan) => (
        <section key={fan.id} className="grid gap-4">
          <DeviceHead id={fan.id} name="fan" list={fans} always />
          <PlainDevice section="fan" device={fan} />
        </section>
      ))}
      {lights.map((light) => (
        <section key={light.id} className="grid gap-4">
          <DeviceHead id={light.id} name="light" list={lights} always />
          <PlainDevice section="light" device={light} />
        </section>
      ))}
      {record.devices.length < MOST && (
        <div className="rule-line flex flex-wrap gap-2 border-t pt-3">
          {kinds.map((kind) => (
            <button
              key={kind}
              type="button"
              className="key"
              onClick={() => change(addDevice(kind), words[kind].toLowerCase())}
            >
              <Plus size={16} aria-hidden /> {words[kind]}
            </button>
          ))}
        </div>
      )}
      {heaters.some((h) => h.kind !== "none") && (
        <Fold summary="How hot the heater gets, and what may touch it" part="touch">
          <Touch />
        </Fold>
      )}
      {coolers.some((c) => c.kind === "ice") && (
        <Fold summary="Ice by the clock" part="ice">
          <IceTimes />
        </Fold>
      )}
      <Fold summary="Electricity by the season" part="seasons">
        <Seasons />
      </Fold>
      {hasOwnAir(cabinet.kind) && (
        <Fold summary="Other ways to do the same, side by side" part="beside">
          <Beside />
        </Fold>
      )}
      <Cautions cautions={cautionsAt("heat", cabinet.kind, ...there)} />
    </>
  );
}
