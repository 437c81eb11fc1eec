import type { Probe, Settings } from "../model";
import { kelvins, type TemperatureDifference } from "../quantity";

/** The offset that makes the display true: true minus shown, so a probe that reads 3 low asks for +3. */
export const offsetFor = (probe: Probe): TemperatureDifference => kelvins(probe.error === 0 ? 0 : -probe.error);

/** What the display shows above the truth once the offset is in, K. */
export const displayError = (probe: Probe, settings: Pick<Settings, "offset">): TemperatureDifference =>
  kelvins(probe.error + settings.offset);
