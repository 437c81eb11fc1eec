import { celsius, inScale, printNumber, printTemperature, type Scale } from "@/core/quantity";

interface Props {
  /** In turn; °C. */
  stages: readonly { name: string; low: number; high: number; ramped: boolean }[];
  scale: Scale;
}

const WIDTH = 260;
const HEIGHT = 80;
const TOP = 18;
const BOTTOM = 62;

/** The bands of a program's stages in turn, to the scale of their temperatures; how long each takes is not known here. */
export function ProgramSketch({ stages, scale }: Props) {
  const low = Math.min(...stages.map((s) => s.low));
  const high = Math.max(...stages.map((s) => s.high));
  const y = (t: number) => BOTTOM - ((t - low) / Math.max(1, high - low)) * (BOTTOM - TOP);
  const wide = WIDTH / stages.length;
  const degrees = (t: number) => printNumber(inScale(celsius(t), scale), 1);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="h-[80px] w-[260px] max-w-full text-[12px]"
      fill="currentColor"
      role="img"
      aria-label={stages
        .map(
          (s) => `${s.name}: ${printTemperature(celsius(s.low), scale)} to ${printTemperature(celsius(s.high), scale)}`,
        )
        .join("; ")}
    >
      {stages.map((s, i) => (
        <g key={i}>
          <rect
            x={i * wide + 1}
            y={y(s.high)}
            width={wide - 2}
            height={Math.max(3, y(s.low) - y(s.high))}
            fill="var(--honey)"
            opacity="0.75"
          />
          <text x={i * wide + wide / 2} y={y(s.high) - 3} textAnchor="middle">
            {wide > 50 ? `${degrees(s.low)}\u2013${degrees(s.high)}°` : `${degrees((s.low + s.high) / 2)}°`}
          </text>
          <path d={`M ${i * wide + 1} ${BOTTOM + 3} H ${(i + 1) * wide - 1}`} stroke="currentColor" strokeWidth="1" />
          <text x={i * wide + wide / 2} y={HEIGHT - 3} textAnchor="middle">
            {i + 1}
          </text>
          {s.ramped && i > 0 && (
            <path
              d={`M ${i * wide - 8} ${y((stages[i - 1]!.low + stages[i - 1]!.high) / 2)} L ${i * wide + 8} ${y((s.low + s.high) / 2)}`}
              stroke="currentColor"
              strokeDasharray="3 2"
            />
          )}
        </g>
      ))}
    </svg>
  );
}
