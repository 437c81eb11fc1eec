"use client";

import { X } from "lucide-react";
import { controllerOf, plugDevice, removeDevice, standDevice } from "@/core/chamber";
import { controllerName } from "@/core/program";
import { atFirst } from "@/core/quantity";
import { Select } from "@/parts/fields";
import { useActions, useChamber } from "../context";

interface Props {
  id: string;
  name: "heater" | "cooler" | "fan" | "light";
  list: readonly { id: string }[];
  /** The vessel that it stands at, where it can touch one. */
  at?: string;
  /** It is shown even where it is the only one of its kind. */
  always?: boolean;
}

/** Which of several devices it is, the outlet that it hangs on, the vessel that it stands at, and the way out. */
export function DeviceHead({ id, name, list, at, always = false }: Props) {
  const { chamber } = useChamber();
  const { change } = useActions();
  const several = list.length > 1;
  const { controllers, vessels } = chamber;
  const on = controllerOf(chamber, id);
  const outlet = on?.heat.includes(id) ? "heat" : "cold";
  if (!several && !always && controllers.length === 1 && vessels.length === 1 && on) return null;
  const number = list.findIndex((d) => d.id === id) + 1;
  const title = `${atFirst(name)}${several ? ` ${number}` : ""}`;
  const places = controllers.flatMap((c) =>
    (["heat", "cold"] as const)
      .filter((o) => (name === "heater" ? o === "heat" : name === "cooler" ? o === "cold" : true))
      .map((o) => ({
        value: `${c.id} ${o}`,
        label: `Outlet for ${o}${controllers.length > 1 ? ` of ${controllerName(chamber, c.id)}` : ""}`,
      })),
  );
  const none = name === "heater" || name === "cooler" ? "None: it does nothing" : "None: it always runs";
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h3 className="text-xl">{title}</h3>
        {(several || always) && (
          <button
            type="button"
            className="key px-2"
            onClick={() => change(removeDevice(id), `${title.toLowerCase()} out`)}
          >
            <X size={16} aria-hidden /> Take it out<span className="sr-only">: {title}</span>
          </button>
        )}
      </div>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(min(15rem,100%),1fr))] gap-x-6">
        <Select
          label={`${title} hangs on`}
          value={on ? `${on.id} ${outlet}` : ""}
          options={[{ value: "", label: none }, ...places]}
          onChoose={(value) => {
            const [controller, side] = value.split(" ");
            change(
              plugDevice(id, value ? { controller: controller!, outlet: side as "heat" | "cold" } : null),
              `outlet of ${title.toLowerCase()}`,
            );
          }}
        />
        {at !== undefined && vessels.length > 1 && (
          <Select
            label={`${title} stands at`}
            value={at}
            options={vessels.map((v, i) => ({ value: v.id, label: `Vessel ${i + 1}` }))}
            onChoose={(vessel) => change(standDevice(id, vessel), `place of ${title.toLowerCase()}`)}
          />
        )}
      </div>
    </div>
  );
}
