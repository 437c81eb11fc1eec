/** Where a symbol stands, and whether it is drawn by ANSI Y32 or by IEC 60617. */
interface At {
  x: number;
  y: number;
  ansi: boolean;
}

/** A make contact, 40 wide: a slanted blade by IEC, two bars by ANSI; a solid-state relay in its frame. */
export function Contact({ x, y, ansi, solid }: At & { solid: boolean }) {
  return (
    <g stroke="currentColor" fill="none" strokeWidth="2">
      {solid && <rect x={x} y={y - 12} width="40" height="24" strokeDasharray="3 3" strokeWidth="1.3" />}
      {ansi ? (
        <path d={`M ${x} ${y} h 14 M ${x + 14} ${y - 10} v 20 M ${x + 26} ${y - 10} v 20 M ${x + 26} ${y} h 14`} />
      ) : (
        <path d={`M ${x} ${y} h 10 L ${x + 30} ${y - 13} M ${x + 30} ${y} h 10`} />
      )}
    </g>
  );
}

/** A coil, 36 wide: a box by IEC, a circle by ANSI. */
export const Coil = ({ x, y, ansi }: At) => (
  <g stroke="currentColor" strokeWidth="1.8" fill="var(--color-base-100)">
    {ansi ? <circle cx={x + 18} cy={y} r="18" /> : <rect x={x} y={y - 13} width="36" height="26" />}
  </g>
);

/** A fuse across an upright conductor: a box by ANSI, with the conductor through it by IEC. */
export const Fuse = ({ x, y, ansi }: At) => (
  <g stroke="currentColor">
    <rect x={x - 6} y={y - 10} width="12" height="20" fill="var(--color-base-100)" strokeWidth="1.6" />
    {!ansi && <path d={`M ${x} ${y - 10} V ${y + 10}`} strokeWidth="1.2" />}
  </g>
);

/** A lamp: a cross in a circle by IEC, a letter in it by ANSI. */
export const Lamp = ({ x, y, ansi }: At) => (
  <g stroke="currentColor" strokeWidth="1.5" fill="var(--color-base-100)">
    <circle cx={x} cy={y} r="9" />
    {ansi ? (
      <text x={x} y={y + 4} textAnchor="middle" className="text-xs" fill="currentColor" stroke="none">
        R
      </text>
    ) : (
      <path d={`M ${x - 6} ${y - 6} l 12 12 m 0 -12 l -12 12`} />
    )}
  </g>
);

/** A one-shot cut-out that heat opens, 26 wide. */
export const CutOut = ({ x, y }: Omit<At, "ansi">) => (
  <g>
    <rect x={x} y={y - 7} width="26" height="14" fill="var(--color-base-100)" stroke="currentColor" strokeWidth="1.5" />
    <path d={`M ${x} ${y} H ${x + 8} l 6 -5 l 6 10 h 6`} fill="none" stroke="currentColor" strokeWidth="1.3" />
  </g>
);

/** An outlet, 44 wide about its middle: three female contacts, half rounds by IEC, angles by ANSI; earth below. */
export const Outlet = ({ x, y, ansi }: At) => (
  <g stroke="currentColor" strokeWidth="1.8" fill="none">
    <rect x={x - 22} y={y - 12} width="44" height="32" rx="3" fill="var(--color-base-100)" />
    <path d={`M ${x - 22} ${y} h 8 M ${x + 22} ${y} h -8`} />
    {ansi ? (
      <path
        d={`M ${x - 8} ${y - 6} l -6 6 l 6 6 M ${x + 8} ${y - 6} l 6 6 l -6 6 M ${x - 6} ${y + 9} l 6 6 l 6 -6 M ${x} ${y + 15} v 5`}
      />
    ) : (
      <path
        d={`M ${x - 8} ${y - 6} a 6 6 0 0 0 0 12 M ${x + 8} ${y - 6} a 6 6 0 0 1 0 12 M ${x - 6} ${y + 9} a 6 6 0 0 0 12 0 M ${x} ${y + 15} v 5`}
      />
    )}
  </g>
);

/** A box with a word in it, 92 wide. */
export const Block = ({ x, y, text }: Omit<At, "ansi"> & { text: string }) => (
  <g>
    <rect
      x={x}
      y={y - 18}
      width="92"
      height="36"
      rx="2"
      fill="var(--color-base-200)"
      stroke="currentColor"
      strokeWidth="1.6"
    />
    <text x={x + 46} y={y + 4} textAnchor="middle" className="text-xs" fill="currentColor">
      {text}
    </text>
  </g>
);

/** A switch on an upright conductor, 20 high about its middle: one pole of it. */
export const Switch = ({ x, y }: Omit<At, "ansi">) => (
  <path d={`M ${x} ${y + 10} L ${x + 11} ${y - 9}`} stroke="currentColor" strokeWidth="2" />
);

/** A point where several conductors are joined. */
export const Dot = ({ x, y }: Omit<At, "ansi">) => <circle cx={x} cy={y} r="4" fill="currentColor" data-dot />;

/** The number of a wire, in a ring on it. */
export const Number = ({ x, y, n, low }: { x: number; y: number; n: number; low: boolean }) => (
  <g data-number={n}>
    <rect
      x={x - (n > 9 ? 10 : 8)}
      y={y - 8}
      width={n > 9 ? 20 : 16}
      height="16"
      rx={low ? 2 : 8}
      fill="var(--color-base-100)"
      stroke="currentColor"
      strokeWidth="1"
    />
    <text x={x} y={y + 4} textAnchor="middle" className="text-[0.6875rem]" fill="currentColor">
      {n}
    </text>
  </g>
);
