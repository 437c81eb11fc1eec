"use client";

import dynamic from "next/dynamic";
import { useState } from "react";
import { productKinds, refusalOf } from "@/core/model";
import { attenuation, fermentationHeat, ferments, modelOf, peakHeatOf, productLabels } from "@/core/product";
import { inDegrees, measures, printMeasure, printNumber } from "@/core/quantity";
import { cautionsAt, rulesFor } from "@/core/safety";
import { Cautions, Fold } from "@/parts/common";
import { Select, temperatureKind } from "@/parts/fields";
import { useActions, useChamber, usePreferences } from "../context";
import { Fields } from "../Fields";
import { ValueField } from "../ValueField";
import { Load } from "./Load";
import { ProgramFields } from "./ProgramFields";
import { ProductFields } from "./ProductFields";
import { StageFields } from "./StageFields";

// They come with the first look at them.
const Sums = dynamic(() => import("./sums/Sums").then((m) => m.Sums), { ssr: false });

export function JobStation() {
  const { chamber, stage } = useChamber();
  const { apply } = useActions();
  const [refused, setRefused] = useState<string | null>(null);
  const preferences = usePreferences();
  const { scale, system } = preferences;
  const vessel = chamber.vessels[0]!;
  const { product } = vessel;
  const temperature = temperatureKind(scale);
  const works = ferments(product);
  const range = modelOf(product).range(product);
  const { alcoholByVolume } = attenuation(product.originalGravity, product.finalGravity);
  const heat = vessel.count * fermentationHeat(product, vessel.volume);
  const note = !works
    ? undefined
    : heat > 0
      ? `About ${printNumber(alcoholByVolume, 0.1)}\u00a0% alcohol by volume. It gives off ${printNumber(heat / 1e6, 0.01)}\u00a0MJ of its own heat, ${printMeasure(peakHeatOf(vessel, stage.target), measures.power, system)} at the height (estimate of the course).`
      : "Without a fall in gravity nothing ferments and there is no heat of its own.";
  return (
    <>
      <Select
        label={chamber.vessels.length > 1 ? "What is in vessel 1" : "What is in it"}
        value={product.kind}
        options={productKinds.map((kind) => ({ value: kind, label: productLabels[kind] }))}
        onChoose={(kind) =>
          setRefused(refusalOf(apply([{ section: "product", field: "kind", id: vessel.id, value: kind }], "product")))
        }
      />
      {refused && (
        <p className="text-error font-semibold" role="alert">
          {refused}
        </p>
      )}
      <Fields
        title={
          stage.of === "air"
            ? "How cold and how warm the air around it may be"
            : "How cold and how warm the product may be"
        }
        action={
          <button
            type="button"
            className="key"
            onClick={() =>
              apply(
                [{ section: "stage", field: "of", id: stage.id, value: stage.of === "air" ? "product" : "air" }],
                "what the band is for",
              )
            }
          >
            {stage.of === "air" ? "The band is for the product instead" : "The band is for the air instead"}
          </button>
        }
      >
        <ValueField
          at={{ section: "stage", field: "low", id: stage.id }}
          label="Coldest allowed"
          kind={temperature}
          value={stage.low}
        />
        <ValueField
          at={{ section: "stage", field: "target", id: stage.id }}
          label="Target"
          kind={temperature}
          value={stage.target}
          hint="The middle, unless you move it."
        />
        <ValueField
          at={{ section: "stage", field: "high", id: stage.id }}
          label="Warmest allowed"
          kind={temperature}
          value={stage.high}
        />
      </Fields>
      {range && (
        <Fields title="The culture’s own range, from its packet">
          <ValueField
            at={{ section: "product", field: "packetLow" }}
            label="Packet: coldest"
            kind={temperature}
            value={product.packetLow}
          />
          <ValueField
            at={{ section: "product", field: "packetHigh" }}
            label="Packet: warmest"
            kind={temperature}
            value={product.packetHigh}
            hint="Aim for the middle, rather a little cold than warm."
          />
        </Fields>
      )}
      <ProductFields vessel={vessel} title={works ? "What ferments" : productLabels[product.kind]} note={note} />
      <StageFields />
      {(chamber.stages.length > 1 || stage.ends.length > 0) && <ProgramFields />}
      {product.kind !== "hold" && (
        <Fold summary="Sums for this job" part="sums">
          <Sums key={`${vessel.id} ${product.kind}`} vessel={vessel} />
        </Fold>
      )}
      <Load />
      <Cautions
        cautions={[
          ...cautionsAt("job").filter((c) => works || c.id !== "carbon-dioxide"),
          ...rulesFor(...chamber.vessels.map((v) => v.product.kind)).map((r) => ({
            ...r,
            text: inDegrees(r.text, scale),
          })),
        ]}
      />
    </>
  );
}
