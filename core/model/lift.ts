/** A record as it was stored, of whatever version. */
export type RawRecord = Record<string, unknown>;

type Sparse = Record<string, { value: unknown; origin: unknown }>;

/** Version 2: boxes of every kind with their own parameters, recorded rooms, happenings. */
const toTwo = (raw: RawRecord): RawRecord => ({
  ...raw,
  schemaVersion: 2,
  roomSeries: null,
  thermal: {},
  happenings: [],
});

const typed = (value: unknown) => ({ value, origin: "typed" });
const without = (of: Sparse, ...names: string[]): Sparse =>
  Object.fromEntries(Object.entries(of).filter(([name]) => !names.includes(name)));
const only = (of: Sparse, ...names: string[]): Sparse =>
  Object.fromEntries(Object.entries(of).filter(([name]) => names.includes(name)));

/** Parameters of a device's body stood with the box's: `heaterToAir` is now the heater's own `toAir`. */
const bodyOf = (thermal: Sparse, device: "heater" | "cold"): Sparse =>
  Object.fromEntries(
    Object.entries(thermal)
      .filter(([name]) => name.startsWith(device))
      .map(([name, value]) => {
        const own = name.slice(device.length);
        return [own === "Capacity" ? "bodyCapacity" : own[0]!.toLowerCase() + own.slice(1), value];
      }),
  );

interface Two extends RawRecord {
  thermal: Sparse;
  heater: Sparse;
  cooler: Sparse;
  unit: Sparse;
  settings: Sparse;
  vessels: { vessel: Sparse; product: Sparse }[];
  probes: { probe: Sparse }[];
  stages: { stage: Sparse }[];
  happenings: RawRecord[];
}

/** Two opposed units were one entry; they are two controllers, each with one outlet and its own settings. */
function controllersOf({ unit, settings, probes }: Two) {
  const { kind, ownProbe, ...own } = unit;
  if (kind?.value !== "pair")
    return {
      controllers: [
        { id: "u1", unit: { ...own, ...(kind ? { kind } : {}) }, probes: ["p1"], heat: ["h1"], cold: ["c1"] },
      ],
      settings: { u1: without(settings, "coldSetpoint") },
    };
  const second = ownProbe?.value === true && probes.length > 1 ? "p2" : "p1";
  const labels = (own.labels?.value ?? {}) as Record<string, unknown>;
  const { coldSetpoint, setpoint, ...rest } = labels;
  const sheet = (of: unknown) => ({ ...rest, ...(of === undefined ? {} : { setpoint: of }) });
  const half = (outlet: string, label: unknown) => ({
    ...own,
    kind: typed("cutOut"),
    outlet: typed(outlet),
    ...(own.labels ? { labels: { ...own.labels, value: sheet(label) } } : {}),
  });
  const shared = only(settings, "lowAlarm", "highAlarm", "lowDeviation", "highDeviation", "offset");
  // The second unit read its own probe with the offset of the first: that stays keyed in.
  const error = Number(probes[0]?.probe.error?.value ?? 0);
  const kept = second === "p2" && !settings.offset ? { offset: typed(error === 0 ? 0 : -error) } : {};
  return {
    controllers: [
      { id: "u1", unit: half("heat", setpoint), probes: ["p1"], heat: ["h1"], cold: [] },
      { id: "u2", unit: half("cool", coldSetpoint), probes: [second], heat: [], cold: ["c1"] },
    ],
    settings: {
      u1: { ...shared, ...only(settings, "setpoint", "heatingDifferential") },
      u2: {
        ...shared,
        ...kept,
        ...only(settings, "coolingDifferential", "compressorDelay"),
        ...(settings.coldSetpoint ? { setpoint: settings.coldSetpoint } : {}),
      },
    },
  };
}

/** What a happening of version 2 happened to: there was one of each. */
function whichOf({ kind, outlet }: RawRecord, pair: boolean): string | null {
  switch (kind) {
    case "setpoint":
      return "u1";
    case "relayStuck":
      return pair && outlet === "cold" ? "u2" : "u1";
    case "probeOut":
    case "probeFault":
    case "probeDrift":
      return "p1";
    case "heaterStaysOff":
    case "heaterCutOut":
    case "fuelOut":
      return "h1";
    case "coldFails":
    case "iceForgotten":
      return "c1";
    default:
      return null;
  }
}

/** A new setpoint of a pair moved both units by the same amount. */
function ofColdUnit(h: RawRecord, { setpoint, coldSetpoint }: Sparse): RawRecord {
  const apart = setpoint && coldSetpoint ? Number(coldSetpoint.value) - Number(setpoint.value) : 0;
  return { ...h, id: `${String(h.id).slice(0, 38)}-2`, which: "u2", to: Number(h.to) + apart };
}

/** Version 3: lists of devices and controllers, every entry with a name, settings by stage and controller. */
function toThree(raw: RawRecord): RawRecord {
  const two = raw as Two;
  const { heater, cooler, unit: _unit, settings: _settings, ...rest } = two;
  const { controllers, settings } = controllersOf(two);
  const box = Object.fromEntries(Object.entries(two.thermal).filter(([name]) => !/^(heater|cold)[A-Z]/.test(name)));
  return {
    ...rest,
    schemaVersion: 3,
    thermal: box,
    devices: [
      { id: "h1", device: "heater", at: null, heater: { ...heater, ...bodyOf(two.thermal, "heater") } },
      { id: "c1", device: "cooler", at: null, cooler: { ...cooler, ...bodyOf(two.thermal, "cold") } },
    ],
    controllers,
    vessels: two.vessels.map((v, i) => ({ id: `v${i + 1}`, ...v, band: {} })),
    probes: two.probes.map((p, i) => ({ id: `p${i + 1}`, in: "v1", ...p })),
    job: null,
    program: {},
    // Of stages only the first ever decided: it has the settings, and it does not end.
    stages: two.stages.map((s, i) => ({ id: `s${i + 1}`, ...s, settings: i === 0 ? settings : {} })),
    happenings: two.happenings.flatMap((h) => {
      const which = whichOf(h, controllers.length > 1);
      if (which === null) return [h];
      const moved = controllers.length > 1 && h.kind === "setpoint" ? [ofColdUnit(h, two.settings)] : [];
      return [{ ...h, which }, ...moved];
    }),
  };
}

/** Version 4: the readings of a recorded room lie beside the records. */
const toFour = (raw: RawRecord): RawRecord => ({ ...raw, schemaVersion: 4, roomReadings: null });

/** One step each, from a version to the next. */
export type LiftSteps = Readonly<Record<number, (raw: RawRecord) => RawRecord>>;

/** Version 5: words of a unit's display, chambers that are put by. Nothing of what there was is written otherwise. */
const toFive = (raw: RawRecord): RawRecord => ({ ...raw, schemaVersion: 5 });

/** Version 6: products of every kind, with numbers of their own. Nothing of what there was is written otherwise. */
const toSix = (raw: RawRecord): RawRecord => ({ ...raw, schemaVersion: 6 });

/** Version 7: things to do in stages, readings, limits that somebody passes knowingly. */
const toSeven = (raw: RawRecord): RawRecord => ({ ...raw, schemaVersion: 7, readings: [], ownWay: [] });

/** Version 8: vessels that are put in later, stages that wait for all of them; how it is built, and its parts. */
const toEight = (raw: RawRecord): RawRecord => ({ ...raw, schemaVersion: 8, build: {}, wiring: {}, parts: [] });

/** Version 9: water in the air. What is there keeps the humidity that was typed until the person has it worked out. */
const toNine = (raw: RawRecord): RawRecord => ({
  ...raw,
  schemaVersion: 9,
  moisture: { reckoned: typed(false) },
  work: { done: [], meter: {}, photo: null },
});

/** Version 10: outlets with two cords, things that are in the way, whole outlines; names of a unit's terminals. */
const toTen = (raw: RawRecord): RawRecord => ({
  ...raw,
  schemaVersion: 10,
  work: { ...(raw.work as object), names: {} },
});

/** A terminal of the unit as form 10 called it, by the name of its pin. */
const pinOf = (terminal: string): string => {
  const relay = /^(heat|cold) relay (in|out)$/.exec(terminal);
  if (relay) return `unit.${relay[1]}-${relay[2]}`;
  const own = /^unit (?:(heat|cold) )?(.+)$/.exec(terminal);
  if (!own) return terminal;
  const last = own[2]!.replace("\u2212", "-").replace(" ", "-");
  return own[1] ? `unit.${own[1]}${/^[+-]$/.test(last) ? "" : "-"}${last}` : `unit.${last}`;
};

type OldWiring = Record<string, { value: unknown; origin: unknown } | undefined>;

/**
 * Version 11: wiring by parts with pins. Protection and cut-out are asked anew where they were said by a yes: which kind
 * nobody was asked. What a meter read is gone: no old reading counts towards a pass.
 */
const toEleven = (raw: RawRecord): RawRecord => {
  const { residual, cutOut, ...rest } = raw.wiring as OldWiring;
  const { meter: _meter, ...work } = raw.work as { meter: unknown; names: Record<string, string>; done: string[] };
  return {
    ...raw,
    schemaVersion: 11,
    wiring: {
      ...rest,
      ...(residual?.value === false ? { residual: { ...residual, value: "none" } } : {}),
      ...(cutOut ? { cutOut: { ...cutOut, value: cutOut.value ? "yes" : "no" } } : {}),
    },
    work: {
      ...work,
      // What was proved has to be proved again.
      done: work.done.filter((step) => !["dead", "plug", "live", "water"].includes(step)),
      proofs: {},
      names: Object.fromEntries(
        Object.entries(work.names).map(([key, name]) => {
          const [, unit = "", terminal = key] = /^(\d+:)?(.*)$/.exec(key) ?? [];
          return [`${unit}${pinOf(terminal)}`, name];
        }),
      ),
    },
  };
};

/** Version 12: films that grow, condensers in walls, what is held and salted. Nothing of what there was is written otherwise. */
const toTwelve = (raw: RawRecord): RawRecord => ({ ...raw, schemaVersion: 12 });

export const chamberSteps: LiftSteps = {
  1: toTwo,
  2: toThree,
  3: toFour,
  4: toFive,
  5: toSix,
  6: toSeven,
  7: toEight,
  8: toNine,
  9: toTen,
  10: toEleven,
  11: toTwelve,
};
export const preferencesSteps: LiftSteps = {
  1: (raw) => ({ ...raw, schemaVersion: 2, quickTrialDays: 1 }),
  2: (raw) => ({ ...raw, schemaVersion: 3 }),
  3: (raw) => ({ ...raw, schemaVersion: 4, currency: "", tariff: 0, carbon: 0 }),
};
