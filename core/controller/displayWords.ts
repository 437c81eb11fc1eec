import type { DisplayMoment, Unit } from "../model";

/** What the moments at which a display shows something else are called. */
export const displayMomentLabel: Record<DisplayMoment, string> = {
  probeOpen: "The probe is unplugged or broken",
  probeShorted: "The probe is shorted, wet inside",
  alarm: "An alarm sounds",
  resting: "The compressor waits before it starts",
};

/** Where its sheet says so, what the display shows then, to stand behind a sentence's words: " (its display shows “HA”)". */
export const shownThen = ({ shows }: Pick<Unit, "shows">, moment: DisplayMoment): string =>
  shows[moment] ? ` (its display shows \u201c${shows[moment]}\u201d)` : "";
