import type { Happening } from "./happenings";
import type { StageEnd } from "./program";

interface Broken {
  path: (string | number)[];
  message: string;
}

/** Of a record, what speaks of entries and what is spoken of. */
interface Lists {
  vessels: readonly { id: string; vessel: { putIn?: { value: number } } }[];
  probes: readonly { id: string; in: string }[];
  devices: readonly ({ id: string } | { id: string; at: string | null })[];
  controllers: readonly { id: string; probes: string[]; heat: string[]; cold: string[] }[];
  stages: readonly { id: string; stage: { ends?: { value: StageEnd[] } }; settings: Record<string, unknown> }[];
  happenings: readonly Happening[];
  readings: readonly { vessel: string }[];
}

/** Entries of a record that speak of others which are not there, or bear one name: one sentence each. */
export function brokenReferences(record: Lists): Broken[] {
  const found: Broken[] = [];
  const say = (path: (string | number)[], message: string) => found.push({ path, message });
  const names = (list: "vessels" | "probes" | "devices" | "controllers" | "stages"): Set<string> => {
    const seen = new Set<string>();
    record[list].forEach(({ id }, i) => {
      if (seen.has(id)) say([list, i, "id"], `Two entries are called \u201c${id}\u201d. Give one another name.`);
      seen.add(id);
    });
    return seen;
  };
  const vessels = names("vessels");
  const probes = names("probes");
  const devices = names("devices");
  const controllers = names("controllers");
  names("stages");

  if ((record.vessels[0]?.vessel.putIn?.value ?? 0) > 0)
    say(["vessels", 0, "vessel", "putIn"], "The first vessel is in from the beginning. Put the other one later.");
  record.probes.forEach((p, i) => {
    if (!vessels.has(p.in)) say(["probes", i, "in"], `There is no vessel \u201c${p.in}\u201d for it to sit in.`);
  });
  record.devices.forEach((d, i) => {
    if ("at" in d && d.at !== null && !vessels.has(d.at))
      say(["devices", i, "at"], `There is no vessel \u201c${d.at}\u201d for it to stand at.`);
  });
  const plugged = new Set<string>();
  record.controllers.forEach((c, i) => {
    c.probes.forEach((id, k) => {
      if (!probes.has(id)) say(["controllers", i, "probes", k], `There is no probe \u201c${id}\u201d for it to read.`);
    });
    for (const outlet of ["heat", "cold"] as const)
      c[outlet].forEach((id, k) => {
        const path = ["controllers", i, outlet, k];
        if (!devices.has(id)) say(path, `There is no device \u201c${id}\u201d to be plugged in.`);
        else if (plugged.has(id)) say(path, `The device \u201c${id}\u201d is plugged in twice. A device has one plug.`);
        plugged.add(id);
      });
  });
  record.stages.forEach((s, i) => {
    for (const id of Object.keys(s.settings))
      if (!controllers.has(id)) say(["stages", i, "settings", id], `There is no controller \u201c${id}\u201d to set.`);
    s.stage.ends?.value.forEach((end, k) => {
      if (end.kind !== "reaches") return;
      const { of, id } = end.observable;
      const known = { air: null, room: null, vessels: null, vessel: vessels, probe: probes, controller: controllers }[
        of
      ];
      if (known && !known.has(id))
        say(["stages", i, "stage", "ends", k], `There is no ${of} \u201c${id}\u201d to look at.`);
    });
  });
  record.readings.forEach((r, i) => {
    if (!vessels.has(r.vessel))
      say(["readings", i, "vessel"], `There is no vessel \u201c${r.vessel}\u201d that was read.`);
  });
  record.happenings.forEach((h, i) => {
    if (!("which" in h)) return;
    const known =
      h.kind === "setpoint" || h.kind === "relayStuck" ? controllers : h.kind.startsWith("probe") ? probes : devices;
    if (!known.has(h.which))
      say(["happenings", i, "which"], `There is no \u201c${h.which}\u201d that it could happen to.`);
  });
  return found;
}
