import type { ObservableUnit } from "@/core/product";
import type { Scale } from "@/core/quantity";
import { plainKind, temperatureKind, type FieldKind } from "@/parts/fields";

/** How a figure of a product is typed. */
export function figureKind(unit: ObservableUnit, scale: Scale): FieldKind {
  if (unit === "share") return plainKind("%", 1, 0.01);
  if (unit === "loss") return plainKind("%", 0.1, 0.01);
  if (unit === "temperature") return temperatureKind(scale);
  if (unit === "hours") return plainKind("h", 1);
  return unit === "" ? plainKind("", 0.001) : plainKind(unit, 0.1);
}
