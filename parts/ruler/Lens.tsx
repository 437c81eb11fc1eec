import { glazeColor, ticksOf, type RulerData, type RulerMark } from "./marks";

interface Props {
  data: RulerData;
  lens: [number, number];
  length: number;
  lying: boolean;
  selected: string | null;
}

/** The lens's scale with its zones and marks, drawn from the cold end to the warm end along one axis. */
export function Lens({ data, lens, length, lying, selected }: Props) {
  const [low, high] = lens;
  const along = (t: number) => ((Math.min(high, Math.max(low, t)) - low) / (high - low)) * length;
  const at = (t: number) => (lying ? along(t) : length - along(t));
  const line = (t: number, from: number, to: number) =>
    lying ? { x1: at(t), x2: at(t), y1: from, y2: to } : { x1: from, x2: to, y1: at(t), y2: at(t) };
  const area = (from: number, to: number, start: number, thickness: number) => {
    const a = Math.min(at(from), at(to));
    const size = Math.max(1, Math.abs(at(to) - at(from)));
    return lying
      ? { x: a, y: start, width: size, height: thickness }
      : { x: start, y: a, width: thickness, height: size };
  };
  const clip = (from: number, to: number): [number, number] | null =>
    to <= low || from >= high ? null : [Math.max(from, low), Math.min(to, high)];
  const fills = { heat: "url(#hatch-heat)", cold: "url(#dots-cold)" };

  return (
    <g>
      {data.zones.map((zone) => {
        const span = clip(zone.from, zone.to);
        if (!span) return null;
        if (zone.kind === "room")
          return <rect key={zone.id} {...area(...span, 0, 4)} fill="var(--slate)" fillOpacity="0.8" />;
        if (zone.kind === "packet")
          return <rect key={zone.id} {...area(...span, 25, 2)} fill="var(--honey)" fillOpacity="0.55" />;
        if (zone.kind === "band") return <rect key={zone.id} {...area(...span, 19, 5)} fill="var(--honey)" />;
        return <rect key={zone.id} {...area(...span, 6, 11)} fill={fills[zone.kind]} />;
      })}
      <rect {...area(low, high, 5, 13)} fill="none" stroke="currentColor" strokeWidth="1" />
      {ticksOf(lens, data.scale).map(({ value, label }) => (
        <g key={value}>
          <line {...line(value, label ? -7 : -3, 0)} stroke="currentColor" strokeWidth={label ? 1.2 : 0.7} />
          {label && (
            <text
              {...(lying
                ? { x: at(value), y: -9, textAnchor: "middle" }
                : { x: -10, y: at(value) + 4, textAnchor: "end" })}
              className="text-xs"
              fill="currentColor"
            >
              {label}
            </text>
          )}
        </g>
      ))}
      {data.marks.map((mark) => (
        <MarkLine key={mark.id} mark={mark} line={line} strong={mark.id === selected} />
      ))}
    </g>
  );
}

function MarkLine({
  mark,
  line,
  strong,
}: {
  mark: RulerMark;
  line: (t: number, from: number, to: number) => Record<string, number>;
  strong: boolean;
}) {
  const color = glazeColor[mark.glaze];
  const width = strong ? 4 : 2.5;
  const dash = { limit: undefined, switch: undefined, alarm: "3 2", point: undefined }[mark.shape];
  const [from, to] = { limit: [17, 27], switch: [4, 20], alarm: [0, 22], point: [-2, 22] }[mark.shape] as [
    number,
    number,
  ];
  return <line {...line(mark.value, from, to)} stroke={color} strokeWidth={width} strokeDasharray={dash} />;
}
