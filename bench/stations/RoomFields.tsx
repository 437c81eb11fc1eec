"use client";

import { clockKind, differenceKind, temperatureKind } from "@/parts/fields";
import { useChamber, usePreferences } from "../context";
import { Fields } from "../Fields";
import { ValueField } from "../ValueField";
import { RecordedRoom } from "./RecordedRoom";

/** The room: a daily swing with its season, or a recorded one from a table. */
export function RoomFields() {
  const { chamber } = useChamber();
  const preferences = usePreferences();
  const { scale } = preferences;
  const { room, recorded } = chamber;
  const temperature = temperatureKind(scale, 0.1, 0.5);
  return (
    <>
      <Fields
        title="The room around it"
        note={
          recorded
            ? "While a recorded room is in force, the coldest and warmest here are only used for sizing heater and cooling."
            : "Cold snaps and heat waves are placed on the trial\u2019s time line."
        }
      >
        <ValueField
          at={{ section: "room", field: "low" }}
          label="Coldest"
          kind={temperature}
          value={room.low}
          hint="The coldest night of the run."
        />
        <ValueField
          at={{ section: "room", field: "high" }}
          label="Warmest"
          kind={temperature}
          value={room.high}
          hint="The hottest afternoon."
        />
        <ValueField
          at={{ section: "room", field: "warmestHour" }}
          label="Warmest at"
          kind={clockKind}
          value={room.warmestHour}
        />
        <ValueField
          at={{ section: "room", field: "monthly" }}
          label="Season, a month"
          kind={differenceKind(scale, 0.5, true)}
          value={room.monthly}
          hint="How the daily mean moves in 30 days; negative into autumn."
        />
      </Fields>
      <RecordedRoom />
    </>
  );
}
