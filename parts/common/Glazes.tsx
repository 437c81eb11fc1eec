/** Hatching for heat and dots for cold, defined once for every drawing on a page: never told apart by colour alone. */
export function Glazes() {
  return (
    <svg width="0" height="0" className="absolute" aria-hidden>
      <defs>
        <pattern id="hatch-heat" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="2" height="6" fill="var(--heat)" />
        </pattern>
        <pattern id="dots-cold" width="6" height="6" patternUnits="userSpaceOnUse">
          <circle cx="1.5" cy="1.5" r="1.4" fill="var(--cold)" />
          <circle cx="4.5" cy="4.5" r="1.4" fill="var(--cold)" />
        </pattern>
        <pattern id="lines-honey" width="5" height="5" patternUnits="userSpaceOnUse">
          <rect width="5" height="1.2" fill="var(--honey)" />
        </pattern>
      </defs>
    </svg>
  );
}
