import {
  chamberRecord,
  problemOf,
  type Change,
  type ChamberRecord,
  type DeviceRecord,
  type Happening,
  type Reading,
  type RoomReadings,
} from "../model";
import { possible, refused, type Tried } from "./tryEdits";

/** Makes a change if the record that results is a possible one; otherwise says why not and changes nothing. */
export function tryChange(record: ChamberRecord, change: Change): Tried {
  const parsed = chamberRecord.safeParse(change(record));
  return parsed.success ? possible(record, parsed.data) : refused(problemOf(parsed.error.issues[0]!));
}

/** A name that no entry of a list has yet: the letter of its kind and a number, the one after those that there are. */
export function freshId(list: readonly { id: string }[], letter: string): string {
  const taken = new Set(list.map((e) => e.id));
  for (let n = list.filter((e) => e.id.startsWith(letter)).length + 1; ; n++)
    if (!taken.has(`${letter}${n}`)) return `${letter}${n}`;
}

const without = <T extends { id: string }>(list: readonly T[], id: string): T[] => list.filter((e) => e.id !== id);
const mapped = <T extends { id: string }>(list: readonly T[], id: string, change: (entry: T) => T): T[] =>
  list.map((e) => (e.id === id ? change(e) : e));

/** Drops what speaks of an entry that has gone. */
function forgetting(r: ChamberRecord, gone: string, isGone: (of: "vessel" | "probe" | "controller") => boolean) {
  return {
    happenings: r.happenings.filter((h) => !("which" in h) || h.which !== gone),
    stages: r.stages.map((s) => {
      const ends = s.stage.ends;
      if (!ends) return s;
      const value = ends.value.filter(
        (e) =>
          e.kind !== "reaches" ||
          e.observable.id !== gone ||
          e.observable.of === "air" ||
          e.observable.of === "room" ||
          e.observable.of === "vessels" ||
          !isGone(e.observable.of),
      );
      return { ...s, stage: { ...s.stage, ends: { ...ends, value } } };
    }),
  };
}

/** One more vessel, like the last one. */
export const addVessel: Change = (r) => ({
  ...r,
  vessels: [...r.vessels, { ...r.vessels[r.vessels.length - 1]!, id: freshId(r.vessels, "v"), band: {} }],
});

/** The last one stays: a chamber has a vessel. Its probes and devices go to the first one that is left. */
export const removeVessel =
  (id: string): Change =>
  (r) => {
    if (r.vessels.length < 2) return r;
    const vessels = without(r.vessels, id);
    const [head] = vessels;
    const first = head!.id;
    // The first is in from the beginning.
    if (head!.vessel.putIn) vessels[0] = { ...head!, vessel: { ...head!.vessel, putIn: undefined } };
    return {
      ...r,
      ...forgetting(r, id, (of) => of === "vessel"),
      vessels,
      readings: r.readings.filter((reading) => reading.vessel !== id),
      probes: r.probes.map((p) => (p.in === id ? { ...p, in: first } : p)),
      devices: r.devices.map((d) => ("at" in d && d.at === id ? { ...d, at: null } : d)),
    };
  };

/** One more probe, in the first vessel. */
export const addProbe: Change = (r) => ({
  ...r,
  probes: [...r.probes, { id: freshId(r.probes, "p"), in: r.vessels[0]!.id, probe: {} }],
});

/** The last one stays, and so does one that a controller reads. */
export const removeProbe =
  (id: string): Change =>
  (r) =>
    r.probes.length < 2 || r.controllers.some((c) => c.probes.includes(id))
      ? r
      : { ...r, ...forgetting(r, id, (of) => of === "probe"), probes: without(r.probes, id) };

/** Puts a probe in or on another vessel. */
export const seatProbe =
  (id: string, vessel: string): Change =>
  (r) => ({ ...r, probes: mapped(r.probes, id, (p) => ({ ...p, in: vessel })) });

/** One more device of a kind, on no outlet yet: heater and cooler wait for one, fan and light run. */
export const addDevice =
  (device: DeviceRecord["device"]): Change =>
  (r) => {
    const letter = { heater: "h", cooler: "c", fan: "f", light: "l" }[device];
    const id = freshId(r.devices, letter);
    const made = {
      heater: { id, device: "heater", at: null, heater: {} },
      cooler: { id, device: "cooler", at: null, cooler: {} },
      fan: { id, device: "fan", fan: {} },
      light: { id, device: "light", light: {} },
    } as const;
    return { ...r, devices: [...r.devices, made[device]] };
  };

export const removeDevice =
  (id: string): Change =>
  (r) => ({
    ...r,
    ...forgetting(r, id, () => false),
    devices: without(r.devices, id),
    controllers: r.controllers.map((c) => ({
      ...c,
      heat: c.heat.filter((d) => d !== id),
      cold: c.cold.filter((d) => d !== id),
    })),
  });

/** Stands a heater or a cooler at a vessel. */
export const standDevice =
  (id: string, at: string | null): Change =>
  (r) => ({ ...r, devices: mapped(r.devices, id, (d) => ("at" in d ? { ...d, at } : d)) });

/** Plugs a device into an outlet, out of the one that it was in; null: it hangs on none. */
export const plugDevice =
  (id: string, into: { controller: string; outlet: "heat" | "cold" } | null): Change =>
  (r) => ({
    ...r,
    controllers: r.controllers.map((c) => {
      const next = { ...c, heat: c.heat.filter((d) => d !== id), cold: c.cold.filter((d) => d !== id) };
      return into?.controller === c.id ? { ...next, [into.outlet]: [...next[into.outlet], id] } : next;
    }),
  });

/** One more controller on the last probe, with nothing on its outlets: it watches until something is plugged in. */
export const addController: Change = (r) => ({
  ...r,
  controllers: [
    ...r.controllers,
    {
      id: freshId(r.controllers, "u"),
      unit: {
        kind: { value: "watch", origin: "typed" },
        ...(r.controllers[0]!.unit.scale ? { scale: r.controllers[0]!.unit.scale } : {}),
      },
      probes: [r.probes[r.probes.length - 1]!.id],
      heat: [],
      cold: [],
    },
  ],
});

/** Splits a controller with two outlets into two opposed ones on the same probe, each with one outlet. */
export const splitController =
  (id: string): Change =>
  (r) => {
    const one = r.controllers.find((c) => c.id === id);
    if (!one) return r;
    const second = freshId(r.controllers, "u");
    const half = (outlet: "heat" | "cool") => ({
      ...one.unit,
      kind: { value: "cutOut" as const, origin: "typed" as const },
      outlet: { value: outlet, origin: "typed" as const },
    });
    return {
      ...r,
      controllers: r.controllers.flatMap((c) =>
        c.id === id
          ? [
              { ...c, unit: half("heat"), cold: [] },
              { ...c, id: second, unit: half("cool"), heat: [] },
            ]
          : [c],
      ),
      stages: r.stages.map((s) =>
        s.settings[id] ? { ...s, settings: { ...s.settings, [second]: s.settings[id] } } : s,
      ),
    };
  };

/** The last one stays. Its devices hang on no outlet from then on. */
export const removeController =
  (id: string): Change =>
  (r) => {
    if (r.controllers.length < 2) return r;
    const left = forgetting(r, id, (of) => of === "controller");
    return {
      ...r,
      happenings: left.happenings,
      controllers: without(r.controllers, id),
      stages: left.stages.map((s) => ({
        ...s,
        settings: Object.fromEntries(Object.entries(s.settings).filter(([of]) => of !== id)),
      })),
    };
  };

/** Lets a controller read another probe. */
export const readProbe =
  (id: string, probe: string): Change =>
  (r) => ({ ...r, controllers: mapped(r.controllers, id, (c) => ({ ...c, probes: [probe, ...c.probes.slice(1)] })) });

/** One more stage behind another: it begins like that one, which from then on ends after a day. */
export const addStage =
  (after: string): Change =>
  (r) => {
    const at = r.stages.findIndex((s) => s.id === after);
    const id = freshId(r.stages, "s");
    const before = r.stages[at]!;
    const ends = before.stage.ends ?? {
      value: [{ kind: "after" as const, seconds: 86_400 }],
      origin: "typed" as const,
    };
    return {
      ...r,
      stages: [
        ...r.stages.slice(0, at),
        { ...before, stage: { ...before.stage, ends } },
        { id, stage: {}, settings: {} },
        ...r.stages.slice(at + 1),
      ],
    };
  };

/** The last one stays. */
export const removeStage =
  (id: string): Change =>
  (r) =>
    r.stages.length > 1 ? { ...r, stages: without(r.stages, id) } : r;

/** Puts a happening in, or over the one with its id. */
export const putHappening =
  (happening: Happening): Change =>
  (r) => ({
    ...r,
    happenings: r.happenings.some((h) => h.id === happening.id)
      ? r.happenings.map((h) => (h.id === happening.id ? happening : h))
      : [...r.happenings, happening],
  });
/** Puts a reading in, or over the one with its id. */
export const putReading =
  (reading: Reading): Change =>
  (r) => ({ ...r, readings: [...without(r.readings, reading.id), reading].sort((a, b) => a.at - b.at) });
export const dropReading =
  (id: string): Change =>
  (r) => ({ ...r, readings: without(r.readings, id) });

export const dropHappening =
  (id: string): Change =>
  (r) => ({ ...r, happenings: r.happenings.filter((h) => h.id !== id) });
export const dropAllHappenings: Change = (r) => ({ ...r, happenings: [] });

/** Puts a recorded room in the place of the daily swing, or takes it away. */
export const setRecorded =
  (roomReadings: RoomReadings | null): Change =>
  (r) => ({ ...r, roomReadings, roomSeries: null });
