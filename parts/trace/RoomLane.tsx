import { celsius, inScale, printNumber, printTemperature, type Scale } from "@/core/quantity";
import type { Trace } from "@/core/trial";
import type { View } from "./view";

interface Props {
  trace: Trace;
  view: View;
  scale: Scale;
  width: number;
  left: number;
  right: number;
}

/** Height of the lane with what is written beside it, px. */
export const ROOM_LANE = 20;

/** The room on a scale of its own, where it lies far from what the chart shows. */
export function RoomLane({ trace, view, scale, width, left, right }: Props) {
  const plot = Math.max(10, width - left - right);
  const { low, high } = trace;
  const [coldest, warmest] = [Math.min(...low.room), Math.max(...high.room)];
  const y = (t: number) => 17 - ((t - coldest) / Math.max(1, warmest - coldest)) * 14;
  const points: string[] = [];
  high.room.forEach((t, i) => {
    const at = trace.from + (i + 0.5) * trace.width;
    if (at < view.from || at > view.to || !Number.isFinite(t)) return;
    points.push(`${(left + ((at - view.from) / (view.to - view.from)) * plot).toFixed(1)} ${y(t).toFixed(1)}`);
  });
  const bare = (t: number) => printNumber(inScale(celsius(t), scale), 1);
  const say = (t: number) => printTemperature(celsius(t), scale, 1);
  return (
    <svg
      width={width}
      height={ROOM_LANE}
      className="block text-[12px]"
      fill="var(--slate)"
      role="img"
      aria-label={`The room on a scale of its own, from ${say(coldest)} to ${say(warmest)}`}
    >
      {points.length > 1 && (
        <path
          d={`M${points.join("L")}`}
          fill="none"
          stroke="var(--slate)"
          strokeWidth="1.5"
          strokeDasharray="1 3"
          strokeLinecap="round"
        />
      )}
      <text x={width - right + 6} y="14">
        room {[...new Set([bare(coldest), bare(warmest)])].join("\u2013")}°
      </text>
    </svg>
  );
}
