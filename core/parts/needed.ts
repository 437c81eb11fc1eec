import { boardMaterials, carriedBy } from "../carry";
import {
  boxes,
  coolerLabels,
  cools,
  heaterBodies,
  heats,
  insideOf,
  isBath,
  isIce,
  isVesselItself,
  reckonsMoisture,
  vesselName,
} from "../chamber";
import { unitKindTable } from "../controller";
import { isFlat } from "../fit";
import { nest, panelsOf } from "../foam";
import type { Chamber } from "../model";
import type { NeededPart } from "./part";
import { partsToWire } from "./wired";

const one = (key: string, name: string, quantity = 1): NeededPart => ({
  key,
  name,
  quantity,
  unit: "",
  eachBatch: false,
});

/** Foam, tape and glue of a box that one makes. */
function ofFoam({ cabinet, build }: Chamber): NeededPart[] {
  const panels = panelsOf(cabinet, build);
  const foam = panels.filter((p) => p.of === "foam");
  const { sheets } = nest(foam, build);
  const mm = (m: number) => Math.round(m * 1000);
  const tape = foam.reduce((sum, p) => sum + p.length + p.width, 0);
  const lining = panels.filter((p) => p.of === "lining").reduce((sum, p) => sum + p.length * p.width, 0);
  return [
    {
      key: "foam",
      name: `Foam sheets, ${mm(cabinet.insulation)} mm, ${mm(build.sheetLength)} × ${mm(build.sheetWidth)} mm`,
      quantity: sheets.length,
      unit: "sheets",
      eachBatch: false,
    },
    { key: "tape", name: "Aluminium tape", quantity: Math.ceil(tape), unit: "m", eachBatch: false },
    one("foam-glue", "Foam glue without solvent"),
    ...(lining > 0
      ? [
          {
            key: "lining",
            name: "Thin sheet for the lining",
            quantity: Math.ceil(lining * 10) / 10,
            unit: "m²" as const,
            eachBatch: false,
          },
        ]
      : []),
  ];
}

/** All that a chamber is made of, with its wires where somebody lays them, and what each batch burns. */
export function partsNeeded(chamber: Chamber): NeededPart[] {
  const { cabinet, build, heaters, coolers, fans, lights, controllers, probes, vessels } = chamber;
  const parts: NeededPart[] = cabinet.kind === "foam" ? ofFoam(chamber) : [one("box", boxes[cabinet.kind].label)];
  if (cabinet.collar > 0) {
    const around = 2 * (cabinet.width + cabinet.depth);
    const name = `Boards for a collar, ${Math.round(cabinet.collar * 1000)} mm high`;
    parts.push({ key: "collar", name, quantity: Math.ceil(around * 10) / 10, unit: "m", eachBatch: false });
  }
  if (cabinet.jacket > 0)
    parts.push({
      key: "jacket",
      name: `Insulation around it, ${Math.round(cabinet.jacket * 1000)} mm`,
      quantity: Math.ceil(2 * (cabinet.width + cabinet.depth) * cabinet.height * 10) / 10,
      unit: "m²",
      eachBatch: false,
    });
  if (
    !isVesselItself(cabinet.kind) &&
    !isBath(cabinet.kind) &&
    vessels.some((v) => !isFlat(v)) &&
    cabinet.kind !== "foam"
  ) {
    const { span, depth } = carriedBy(chamber);
    const material = boardMaterials[build.boardMaterial];
    const mm = (m: number) => Math.round(m * 1000);
    parts.push(one("board", `${material.label}, ${mm(build.boardThickness)} mm, ${mm(span)} × ${mm(depth)} mm`));
  }
  heaters.filter(heats).forEach((h) => {
    parts.push(one(`heater-${h.id}`, `${heaterBodies[h.kind].label}, ${Math.round(h.power)} W`));
    if (h.kind === "charcoal")
      parts.push({ key: `fuel-${h.id}`, name: "Charcoal", quantity: h.fuel, unit: "kg", eachBatch: true });
    else if (insideOf(cabinet).volume > 0 && !isBath(cabinet.kind))
      parts.push(one(`cut-out-${h.id}`, "One-shot thermal cut-out, in series with the heater"));
  });
  coolers.forEach((c) => {
    // A bought cabinet brings its compressor.
    if (cools(c) && c.kind !== "compressor") parts.push(one(`cooler-${c.id}`, coolerLabels[c.kind]));
    if (isIce(c)) parts.push(one(`cooler-${c.id}`, `${coolerLabels.ice}, ${c.iceMass} kg`));
  });
  if (cabinet.fan) parts.push(one("own-fan", isBath(cabinet.kind) ? "Pump" : "Fan for the air inside"));
  if (reckonsMoisture(chamber)) {
    const { humidifier, dehumidifier, absorber } = chamber.moisture;
    const grams = (kg: number) => `${Math.round(kg * 3.6e6)} g/h`;
    if (humidifier > 0) parts.push(one("humidifier", `Humidifier with its own humidity control, ${grams(humidifier)}`));
    if (dehumidifier > 0)
      parts.push(one("dehumidifier", `Dehumidifier with its own humidity control, ${grams(dehumidifier)}`));
    if (absorber > 0)
      parts.push({ key: "absorber", name: "Dry absorber", quantity: absorber, unit: "kg", eachBatch: false });
  }
  if (fans.length > 0) parts.push(one("fans", "Fan on an outlet", fans.length));
  if (lights.length > 0) parts.push(one("lights", "Light", lights.length));
  controllers.forEach((c) =>
    parts.push(one(`unit-${c.id}`, `Controller: ${c.unit.name || unitKindTable[c.unit.kind].label.toLowerCase()}`)),
  );
  const spare = probes.length - controllers.length;
  if (spare > 0) parts.push(one("probes", "Probe that watches", spare));
  vessels.forEach((v) => {
    if (v.form !== "piece" && !isVesselItself(cabinet.kind)) {
      const name = vesselName(v);
      parts.push(
        one(
          `vessel-${v.id}`,
          `${name.charAt(0).toUpperCase()}${name.slice(1)}, ${Math.round(v.volume * 1e4) / 10} L`,
          v.count,
        ),
      );
    }
  });
  if (chamber.wiring.ownWork) parts.push(...partsToWire(chamber));
  parts.push(one("residual", "Residual-current protection, where it does not stand already"));
  return parts;
}
