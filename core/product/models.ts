import type { Product, ProductKind } from "../model";
import { celsius, type Temperature } from "../quantity";
import { beer } from "./beer";
import { held } from "./held";
import type { ProductModel, ProductObservable } from "./shape";

const models: readonly ProductModel[] = [beer, held];
const byKind = Object.fromEntries(models.flatMap((m) => m.kinds.map((kind) => [kind, m]))) as Record<
  ProductKind,
  ProductModel
>;

/** The model of a kind of product. */
export const modelOf = ({ kind }: Pick<Product, "kind">): ProductModel => byKind[kind];

/** What a product asks for before anybody types. */
export const productDefaults = (kind: ProductKind): Product => byKind[kind].defaults(kind);

export const productLabels: Record<ProductKind, string> = {
  ale: "Ale",
  lager: "Lager",
  farmhouse: "Warm-fermented farmhouse beer",
  hold: "Just hold a temperature",
};

/** Whether it gives off heat of its own at any time. */
export const hasOwnHeat = (product: Product): boolean => product.kind !== "hold" || product.heatCurve.length > 0;

/** Largest own heat of one vessel at a steady temperature, W. */
export const peakOwnHeat = (product: Product, volume: number, t: Temperature): number =>
  modelOf(product).peakHeat(product, volume, t);

/** The same of all vessels of an entry together, W. */
export const peakHeatOf = (
  { count, product, volume }: { count: number; product: Product; volume: number },
  t: Temperature,
): number => count * peakOwnHeat(product, volume, t);

/** The same of all entries together, W: at the most, as if all of them stood at their height at once. */
export const peakHeatOfAll = (
  vessels: readonly { count: number; product: Product; volume: number }[],
  t: Temperature,
): number => vessels.reduce((sum, v) => sum + peakHeatOf(v, t), 0);

/** Where a product begins to freeze, °C. */
export const freezingPoint = (product: Product): Temperature =>
  modelOf(product)
    .hazards(product)
    .find((h) => h.id === "freezes")?.at ?? celsius(0);

/** What can be waited for of a product, by its name. */
export const productObservable = (product: Product, name: string): ProductObservable | undefined =>
  modelOf(product).observables.find((o) => o.name === name);
