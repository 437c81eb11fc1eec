"use client";

import type { Edit, LoadedVessel, Product, ProductKind } from "@/core/model";
import { dosesFor, lotOf } from "@/core/product";
import { measures, printMeasure, printNumber } from "@/core/quantity";
import { gravityKind, measureKind, plainKind, Select, temperatureKind, type FieldKind } from "@/parts/fields";
import { useActions, usePreferences } from "../context";
import { Fields } from "../Fields";
import { ToggleField } from "../ToggleField";
import { ValueField } from "../ValueField";

type Field = keyof Product;
const share = plainKind("%", 0.1, 0.01);
const finer = plainKind("%", 0.01, 0.01);

const setLabels: Record<Product["set"], string> = {
  liquid: "Liquid",
  partSet: "Partly set",
  set: "Set, like apple sauce",
  hard: "Hard",
};
const meatLabels: Record<Product["meat"], string> = {
  whole: "Whole muscle, beef, pork, lamb",
  minced: "Minced or injected",
  poultry: "Poultry",
  fish: "Fish",
};
const shapeLabels: Record<Product["shape"], string> = {
  slab: "Flat: a steak, a fillet",
  roll: "Long: a loin, a sausage",
  chunk: "A chunk: a shoulder",
  ball: "Round",
};

const saltedLabels: Record<Product["salted"], string> = {
  unknown: "Not said: taken as not yet",
  no: "Not yet: it is salted in here, in the cold",
  even: "Yes, its salt is even to the core",
};
const holdsLabels: Record<Product["holds"], string> = {
  unknown: "Nobody has said",
  noFood: "Nothing to eat",
  keeps: "Food that keeps: dry, sour, salted or sugared enough",
  moist: "Moist food that does not keep by itself",
};

const wort: readonly Field[] = ["originalGravity", "finalGravity"];
const drying: readonly Field[] = ["thickness", "salt", "water", "targetLoss", "pace"];
/** What is asked about each kind of product, in this order. */
const asked: Record<ProductKind, readonly Field[]> = {
  ale: [...wort, "pace"],
  lager: [...wort, "pace"],
  farmhouse: [...wort, "pace"],
  spontaneous: [...wort, "courseDays", "holds"],
  wine: [...wort, "courseDays", "holds"],
  cider: [...wort, "courseDays", "holds"],
  mead: [...wort, "courseDays", "holds"],
  serving: wort,
  tempeh: ["pace"],
  honey: ["set", "hmf", "diastase", "tropical", "pace"],
  bath: ["meat", "shape", "thickness"],
  smoke: ["meat", "shape", "thickness", "doneAt", "wrapAt"],
  sausage: ["startPh", "sugar", ...drying, "cureStrength", "keepsWarm"],
  wholeMuscle: ["salted", ...drying, "cureStrength", "keepsWarm"],
  mash: ["pace"],
  hold: ["holds"],
};

interface Row {
  label: string;
  hint?: string;
  kind: FieldKind;
}

/** The numbers of the product in a vessel, by its kind. */
export function ProductFields({ vessel, title, note }: { vessel: LoadedVessel; title: string; note?: string }) {
  const { scale, system } = usePreferences();
  const { apply } = useActions();
  const { product, id } = vessel;
  const temperature = temperatureKind(scale);
  const rows: Partial<Record<Field, Row>> = {
    originalGravity: { label: "Original gravity", kind: gravityKind },
    finalGravity: { label: "Final gravity", kind: gravityKind, hint: "Expected, where it is not known yet." },
    pace: {
      label: "Pace",
      kind: plainKind("times the usual", 0.1),
      hint: "The usual course is an estimate: 2 goes twice as fast.",
    },
    courseDays: {
      label: "Days until it has fermented out",
      kind: plainKind("days", 1),
      hint: "Yours to say: it is not worked out from the temperature.",
    },
    hmf: { label: "HMF at the start", kind: plainKind("mg/kg", 1), hint: "Fresh honey has less than 10." },
    diastase: {
      label: "Diastase number at the start",
      kind: plainKind("", 1),
      hint: "8 is the least that may be sold.",
    },
    thickness: {
      label: product.kind === "sausage" ? "Across the casing" : "Thickness",
      kind: measureKind(measures.thickness, system),
      hint: "At its thickest.",
    },
    doneAt: { label: "Done at a core of", kind: temperature },
    wrapAt: {
      label: "Wrapped at a core of",
      kind: temperature,
      hint: product.wrapAt > 0 ? "Wrapping ends the stall." : "As it stands it is never wrapped.",
    },
    startPh: { label: "pH at the start", kind: plainKind("", 0.1) },
    sugar: { label: "Sugar for the culture", kind: share, hint: "Of the weight that goes in." },
    salt: { label: "Salt", kind: share, hint: "Of the weight that goes in." },
    water: { label: "Water", kind: share, hint: "Of the weight that goes in; lean meat has 75 %." },
    cureStrength: {
      label: "Nitrite in your curing salt",
      kind: finer,
      hint: "As its label says; 0: none is used.",
    },
    targetLoss: { label: "Weight to be lost", kind: share, hint: "30 % alone does not make it keep." },
  };
  const choose = (field: Field, label: string) => (value: string) =>
    apply([{ section: "product", field, id, value } as Edit], label);
  const options = <T extends string>(labels: Record<T, string>) =>
    (Object.keys(labels) as T[]).map((value) => ({ value, label: labels[value] }));
  if (asked[product.kind].length === 0) return null;
  return (
    <Fields title={title} note={note ?? <Doses vessel={vessel} />}>
      {asked[product.kind].map((field) => {
        if (field === "set")
          return (
            <Select
              key={field}
              label="How far it has set"
              value={product.set}
              options={options(setLabels)}
              onChoose={choose(field, "how far it has set")}
            />
          );
        if (field === "meat")
          return (
            <Select
              key={field}
              label="What it is"
              value={product.meat}
              options={options(meatLabels)}
              onChoose={choose(field, "what it is")}
            />
          );
        if (field === "shape")
          return (
            <Select
              key={field}
              label="What it looks like"
              value={product.shape}
              options={options(shapeLabels)}
              onChoose={choose(field, "its shape")}
            />
          );
        if (field === "salted")
          return (
            <Select
              key={field}
              label="Salted through already"
              value={product.salted}
              options={options(saltedLabels)}
              onChoose={choose(field, "whether it is salted through")}
            />
          );
        if (field === "holds")
          return (
            <Select
              key={field}
              label="What it holds"
              value={product.holds}
              options={options(holdsLabels)}
              onChoose={choose(field, "what it holds")}
            />
          );
        if (field === "keepsWarm")
          return (
            <ToggleField
              key={field}
              at={{ section: "product", field, id }}
              label="It shall keep without a fridge"
              value={product.keepsWarm}
            />
          );
        if (field === "tropical")
          return (
            <ToggleField
              key={field}
              at={{ section: "product", field, id }}
              label="From a hot country: HMF up to 80 mg/kg"
              value={product.tropical}
            />
          );
        const row = rows[field]!;
        return (
          <ValueField
            key={field}
            at={{ section: "product", field, id }}
            label={row.label}
            kind={row.kind}
            value={product[field] as number}
            hint={row.hint}
          />
        );
      })}
    </Fields>
  );
}

/** What goes into the meat, weighed: refused where the label cannot be right. */
function Doses({ vessel }: { vessel: LoadedVessel }) {
  const { system } = usePreferences();
  const { product } = vessel;
  if (product.kind !== "sausage" && product.kind !== "wholeMuscle") return null;
  const kilograms = lotOf(vessel).mass * vessel.count;
  const doses = dosesFor(kilograms, product);
  const grams = (g: number) => `${printNumber(g, g < 50 ? 0.1 : 1)}\u00a0g`;
  const sugar = product.kind === "sausage" && doses.sugar > 0 ? `, ${grams(doses.sugar)} of sugar` : "";
  const cure =
    doses.problem === "too weak"
      ? "Your curing salt is too weak for this: its dose would be more than all the salt. Look at its label again: it may be another kind."
      : doses.cure === null
        ? "Without the strength on its label no curing salt can be dosed."
        : `${grams(doses.cure)} of your curing salt (156 mg/kg of nitrite, the most by 9 CFR 424.21; elsewhere less is allowed). Weigh it to the tenth of a gram. Never double it, never swap the two kinds.`;
  return (
    <>
      For {printMeasure(kilograms, measures.mass, system)} in all:{" "}
      {grams(doses.cure === null ? doses.salt : doses.plainSalt)} of salt{sugar}. {cure}
    </>
  );
}
