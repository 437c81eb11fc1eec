import type { Term } from "./glossary";

const WIDTH = 280;
/** Names of the levels stand beside the plot, where no line crosses them. */
const PLOT = 190;

/** One line over time: how warm it is, 0 at the bottom to 1 at the top of the picture, at moments of 0 to 1. */
type Line = readonly (readonly [at: number, height: number])[];
interface Picture {
  /** What the picture says, for those who do not see it. */
  says: string;
  line?: Line;
  second?: Line;
  /** Level lines with what they are called; or a name for what lies between two, without a line. */
  levels: readonly (readonly [height: number, name: string, between?: true])[];
  /** When heat, and cold, are on. */
  heat?: readonly (readonly [from: number, to: number])[];
  cold?: readonly (readonly [from: number, to: number])[];
  /** A stretch of time with its name. */
  span?: readonly [from: number, to: number, name: string];
}

const swing: Line = [
  [0, 0.4],
  [0.1, 0.7],
  [0.14, 0.75],
  [0.4, 0.4],
  [0.44, 0.36],
  [0.54, 0.7],
  [0.58, 0.75],
  [0.84, 0.4],
  [0.88, 0.36],
  [0.96, 0.6],
];

const pictures: Partial<Record<Term, Picture>> = {
  band: {
    says: "A temperature that wanders between two level lines, the coldest and the warmest.",
    line: swing,
    levels: [
      [0.95, "warmest"],
      [0.2, "coldest"],
    ],
  },
  setpoint: {
    says: "Heat goes off as the reading reaches the setpoint; the reading still rises a little past it.",
    line: swing,
    levels: [[0.7, "setpoint"]],
    heat: [
      [0, 0.1],
      [0.42, 0.54],
      [0.86, 1],
    ],
  },
  differential: {
    says: "Heat goes off at the setpoint and comes on again when the reading has fallen below it by the differential.",
    line: [
      [0, 0.2],
      [0.16, 0.8],
      [0.2, 0.86],
      [0.5, 0.2],
      [0.54, 0.14],
      [0.72, 0.8],
      [0.76, 0.86],
      [1, 0.32],
    ],
    levels: [
      [0.8, "goes off"],
      [0.5, "differential", true],
      [0.2, "on again"],
    ],
    heat: [
      [0, 0.16],
      [0.51, 0.72],
    ],
  },
  runOn: {
    says: "After heat has gone off the reading rises on for a while.",
    line: [
      [0, 0.15],
      [0.35, 0.6],
      [0.48, 0.82],
      [0.6, 0.86],
      [1, 0.6],
    ],
    levels: [[0.6, "heat goes off"]],
    heat: [[0, 0.35]],
    span: [0.35, 0.6, "run-on"],
  },
  chasing: {
    says: "Heat and cold take turns without a pause, each answering what the other has left behind.",
    line: [
      [0, 0.3],
      [0.12, 0.8],
      [0.25, 0.25],
      [0.37, 0.8],
      [0.5, 0.25],
      [0.62, 0.8],
      [0.75, 0.25],
      [0.87, 0.8],
      [1, 0.25],
    ],
    levels: [],
    heat: [
      [0, 0.06],
      [0.24, 0.31],
      [0.49, 0.56],
      [0.74, 0.81],
    ],
    cold: [
      [0.12, 0.19],
      [0.37, 0.44],
      [0.62, 0.69],
      [0.87, 0.94],
    ],
  },
  compressorDelay: {
    says: "Between two runs of the compressor lies at least the delay, though cold is called for before.",
    line: [
      [0, 0.75],
      [0.25, 0.35],
      [0.35, 0.3],
      [0.7, 0.85],
      [1, 0.4],
    ],
    levels: [[0.6, "calls for cold"]],
    cold: [
      [0, 0.25],
      [0.7, 1],
    ],
    span: [0.25, 0.7, "delay"],
  },
  offset: {
    says: "The display runs above the truth by the same amount throughout; the offset takes it off.",
    line: [
      [0, 0.7],
      [0.3, 0.82],
      [0.65, 0.6],
      [1, 0.78],
    ],
    second: [
      [0, 0.38],
      [0.3, 0.5],
      [0.65, 0.28],
      [1, 0.46],
    ],
    levels: [
      [0.78, "shown", true],
      [0.46, "true", true],
    ],
  },
};

/** Lines end short of the bars below them. */
const y = (height: number) => 74 - height * 62;
const x = (at: number) => at * PLOT;
const path = (line: Line) =>
  line.map(([at, h], i) => `${i ? "L" : "M"}${x(at).toFixed(1)} ${y(h).toFixed(1)}`).join("");

/** What a term means, drawn: a few strokes over time, heat and cold as bars below. */
export function TermPicture({ term }: { term: Term }) {
  const picture = pictures[term];
  if (!picture) return null;
  const { says, line, second, levels, heat = [], cold = [], span } = picture;
  const names = [heat.length > 0 ? "heat on" : "", cold.length > 0 ? "cold on" : ""].filter(Boolean);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${names.length > 0 ? 110 : 80}`}
      role="img"
      aria-label={says}
      className="my-1 block w-full max-w-[22rem]"
      fontSize="12"
    >
      {levels.map(([height, name, between]) => (
        <g key={name}>
          {!between && (
            <line x1="0" x2={PLOT} y1={y(height)} y2={y(height)} stroke="currentColor" strokeWidth="1" opacity="0.5" />
          )}
          <text x={PLOT + 6} y={y(height) + 4} fill="currentColor">
            {name}
          </text>
        </g>
      ))}
      {span && (
        <g>
          <line x1={x(span[0])} x2={x(span[0])} y1="6" y2="88" stroke="currentColor" strokeDasharray="3 3" />
          <line x1={x(span[1])} x2={x(span[1])} y1="6" y2="88" stroke="currentColor" strokeDasharray="3 3" />
          <text x={x((span[0] + span[1]) / 2)} y="12" textAnchor="middle" fill="currentColor">
            {span[2]}
          </text>
        </g>
      )}
      {second && <path d={path(second)} fill="none" stroke="currentColor" strokeWidth="2" strokeDasharray="5 4" />}
      {line && <path d={path(line)} fill="none" stroke="currentColor" strokeWidth="2" />}
      {heat.map(([from, to]) => (
        <rect key={`h${from}`} x={x(from)} width={x(to - from)} y="80" height="8" className="fill-heat" />
      ))}
      {cold.map(([from, to]) => (
        <rect key={`c${from}`} x={x(from)} width={x(to - from)} y="80" height="8" className="fill-cold" />
      ))}
      {names.map((name, i) => (
        <g key={name}>
          <rect
            x={i * 90}
            width="10"
            y="96"
            height="10"
            className={name.startsWith("heat") ? "fill-heat" : "fill-cold"}
          />
          <text x={i * 90 + 15} y="105" fill="currentColor">
            {name}
          </text>
        </g>
      ))}
    </svg>
  );
}
