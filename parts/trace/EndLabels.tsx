import { spread } from "../ruler/spread";

interface Props {
  left: number;
  from: number;
  to: number;
  labels: { text: string; at: number; color: string }[];
}

const LINE = 14;

/** Names of lines at their ends, moved apart where they would overlap. */
export function EndLabels({ left, from, to, labels }: Props) {
  const sorted = [...labels].sort((a, b) => a.at - b.at);
  const placed = spread(
    sorted.map((l) => l.at),
    sorted.map(() => LINE),
    from,
    to,
  );
  return (
    <svg
      className="pointer-events-none absolute top-0 overflow-visible"
      width="60"
      height="10"
      style={{ left }}
      aria-hidden
    >
      {sorted.map(({ text, at, color }, i) => (
        <g key={text}>
          <path d={`M -4 ${at} L 3 ${placed[i]}`} stroke={color} strokeWidth="0.8" fill="none" />
          <text x="5" y={placed[i]! + 4} fill={color} className="text-[12px] font-semibold">
            {text}
          </text>
        </g>
      ))}
    </svg>
  );
}
