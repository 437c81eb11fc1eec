"use client";

import dynamic from "next/dynamic";
import { DEFAULTS_VERSION } from "@/core/model";
import { useChamber, useShownTrial } from "./context";

/** Loaded where there is something to tell. */
const ToldDefaults = dynamic(() => import("./ToldDefaults").then((m) => m.ToldDefaults), { ssr: false });

/** Where usual values have been improved since this chamber was made, that is told. */
export function NewDefaults() {
  const { record } = useChamber();
  const { trying } = useShownTrial();
  if (record.defaultsVersion >= DEFAULTS_VERSION || trying) return null;
  return <ToldDefaults />;
}
