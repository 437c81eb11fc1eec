import type { Chamber, Edit } from "../model";

/** Values that belong to one kind of box and would be wrong in another: of the box, and of all devices and probes. */
export function ofTheKind({ heaters, coolers, probes }: Pick<Chamber, "heaters" | "coolers" | "probes">): Edit[] {
  const lists = [
    {
      section: "cabinet",
      ids: [undefined],
      fields: ["height", "width", "depth", "insulation", "conductivity", "jacket", "age", "collar", "fan", "bath"],
    },
    { section: "heater", ids: heaters.map((h) => h.id), fields: ["kind", "power"] },
    { section: "cooler", ids: coolers.map((c) => c.id), fields: ["kind", "power"] },
    { section: "probe", ids: probes.map((p) => p.id), fields: ["place", "lag", "share"] },
  ] as const;
  return lists.flatMap(({ section, ids, fields }) =>
    ids.flatMap((id) => fields.map((field) => ({ section, field, id, value: undefined }) as Edit)),
  );
}
