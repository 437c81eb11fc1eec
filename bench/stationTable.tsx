"use client";

import dynamic from "next/dynamic";
import { memo, type ComponentType } from "react";
import type { Station } from "@/core/model";
import { RulerAside } from "./RulerAside";
import { TrialPanel, type TrialPanelProps } from "./trial/TrialPanel";

/** A place of the bench: what stands in its middle, at its side and along its foot. */
export interface StationPlace {
  screen: ComponentType;
  /** Null: nothing at the side. */
  aside: ComponentType | null;
  /** Null: no trial along the foot. */
  dock: ComponentType<TrialPanelProps> | null;
}

/** Each screen is loaded with its first visit, and drawn anew only when what it reads has changed. */
const screen = (load: () => Promise<ComponentType>): ComponentType =>
  memo(dynamic(() => load().then((Screen) => ({ default: Screen })), { ssr: false }));

const ruler = memo(RulerAside);
const trial = memo(TrialPanel);

export const stationTable: Record<Station, StationPlace> = {
  job: { screen: screen(async () => (await import("./stations/JobStation")).JobStation), aside: ruler, dock: trial },
  box: { screen: screen(async () => (await import("./stations/BoxStation")).BoxStation), aside: ruler, dock: trial },
  heat: { screen: screen(async () => (await import("./stations/HeatStation")).HeatStation), aside: ruler, dock: trial },
  wiring: {
    screen: screen(async () => (await import("./stations/WiringStation")).WiringStation),
    aside: ruler,
    dock: trial,
  },
  probe: {
    screen: screen(async () => (await import("./stations/ProbeStation")).ProbeStation),
    aside: ruler,
    dock: trial,
  },
  settings: {
    screen: screen(async () => (await import("./stations/SettingsStation")).SettingsStation),
    aside: ruler,
    dock: trial,
  },
};
