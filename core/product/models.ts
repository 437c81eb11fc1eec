import type { Product, ProductKind, Vessel } from "../model";
import { celsius, type Temperature } from "../quantity";
import { bath } from "./bath";
import { beer, serving } from "./beer";
import { blank } from "./blank";
import { typedCourse } from "./course";
import { held } from "./held";
import { honey } from "./honey";
import { lotOf } from "./lot";
import { mash } from "./mash";
import { sausage, wholeMuscle } from "./sausage";
import type { Lot, ProductModel, ProductObservable } from "./shape";
import { smoke } from "./smoke";
import { tempeh } from "./tempeh";

const models: readonly ProductModel[] = [
  beer,
  typedCourse,
  serving,
  tempeh,
  honey,
  bath,
  smoke,
  sausage,
  wholeMuscle,
  mash,
  held,
];
const byKind = Object.fromEntries(models.flatMap((m) => m.kinds.map((kind) => [kind, m]))) as Record<
  ProductKind,
  ProductModel
>;

/** The model of a kind of product. */
export const modelOf = ({ kind }: Pick<Product, "kind">): ProductModel => byKind[kind];

/** What a product asks for before anybody types. */
export const productDefaults = (kind: ProductKind): Product => ({ ...blank, ...byKind[kind].defaults(kind), kind });

export const productLabels: Record<ProductKind, string> = {
  ale: "Ale",
  lager: "Lager",
  farmhouse: "Warm-fermented farmhouse beer",
  spontaneous: "Spontaneous beer",
  wine: "Wine",
  cider: "Cider",
  mead: "Mead",
  serving: "Serving and conditioning",
  tempeh: "Tempeh",
  honey: "Honey, warmed",
  bath: "A piece in a water bath",
  smoke: "Food that smokes",
  sausage: "Fermented sausage",
  wholeMuscle: "Dried whole muscle",
  mash: "Mash",
  hold: "Just hold a temperature",
};

/** Whether it ferments from one gravity to another. */
export const ferments = (product: Pick<Product, "kind">): boolean =>
  modelOf(product).readings.includes("gravity") && product.kind !== "mash";

/** Whether it gives off heat of its own at any time. */
export const hasOwnHeat = (product: Product): boolean =>
  ferments(product) ||
  product.kind === "tempeh" ||
  (product.kind === "hold" && product.heatCurve.some((p) => p.watts > 0));

/** Largest own heat of one vessel at a steady temperature, W. */
export const peakOwnHeat = (product: Product, lot: Lot, t: Temperature): number =>
  modelOf(product).peakHeat(product, lot, t);

/** Vessels that are alike, with what is in them. */
interface Filled {
  count: number;
  product: Product;
  volume: number;
  filling?: Vessel["filling"];
}

/** The same of all vessels of an entry together, W. */
export const peakHeatOf = (vessels: Filled, t: Temperature): number =>
  vessels.count * peakOwnHeat(vessels.product, lotOf(vessels), t);

/** The same of all entries together, W: at the most, as if all of them stood at their height at once. */
export const peakHeatOfAll = (vessels: readonly Filled[], t: Temperature): number =>
  vessels.reduce((sum, v) => sum + peakHeatOf(v, t), 0);

/** Where a product begins to freeze, °C. */
export const freezingPoint = (product: Product): Temperature =>
  modelOf(product)
    .hazards(product)
    .find((h) => h.id === "freezes")?.at ?? celsius(0);

/** What can be waited for of a product, by its name. */
export const productObservable = (product: Product, name: string): ProductObservable | undefined =>
  modelOf(product).observables.find((o) => o.name === name);
