import { celsius, inScale } from "@/core/quantity";
import type { RulerData } from "./marks";

interface Props {
  data: RulerData;
  lens: [number, number];
  /** Pixels from the cold end to the warm end. */
  length: number;
  lying: boolean;
}

/** The whole range as a thin strip: the room, the packet, the band, and where the lens looks. */
export function Overview({ data, lens, length, lying }: Props) {
  const [low, high] = data.overview;
  const along = (t: number) => ((Math.min(high, Math.max(low, t)) - low) / (high - low)) * length;
  const box = (from: number, to: number, across: number, thickness: number) => {
    const a = along(from);
    const size = Math.max(2, along(to) - a);
    return lying
      ? { x: a, y: across, width: size, height: thickness }
      : { x: across, y: length - a - size, width: thickness, height: size };
  };
  const zone = (kind: string) => data.zones.find((z) => z.kind === kind);
  const [room, packet, band] = [zone("room"), zone("packet"), zone("band")];
  const ends = [low, high].map((t) => Math.round(inScale(celsius(t), data.scale)));
  return (
    <g aria-hidden>
      <rect {...box(low, high, 4, 10)} fill="var(--color-base-200)" stroke="currentColor" strokeOpacity="0.4" rx="2" />
      {room && <rect {...box(room.from, room.to, 4, 4)} fill="var(--slate)" />}
      {packet && <rect {...box(packet.from, packet.to, 9, 4)} fill="var(--honey)" fillOpacity="0.45" />}
      {band && <rect {...box(band.from, band.to, 8, 6)} fill="var(--honey)" />}
      <rect {...box(lens[0], lens[1], 1, 16)} fill="none" stroke="currentColor" strokeWidth="1.5" rx="3" />
      {!lying && room && (
        <text
          transform={`translate(27 ${length - along((room.from + room.to) / 2)}) rotate(-90)`}
          textAnchor="middle"
          className="text-xs"
          fill="var(--slate)"
        >
          room
        </text>
      )}
      {!lying && (
        <g className="text-xs" fill="currentColor">
          <text x="0" y={-6}>
            {ends[1]}°
          </text>
          <text x="0" y={length + 14}>
            {String(ends[0]).replace("-", "\u2212")}°
          </text>
        </g>
      )}
    </g>
  );
}
