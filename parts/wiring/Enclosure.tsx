import { colourOf, layoutOf, netlistOf, sayMarked, type WiringPlan } from "@/core/wiring";
import { measures, printMeasure, type UnitSystem } from "@/core/quantity";

/** px a metre. */
const SCALE = 1500;
const LEFT = 14;
const TOP = 14;
const BELOW = 64;

interface Props {
  plan: WiringPlan;
  picked: string | null;
  onPick: (id: string) => void;
  system: UnitSystem;
}

/** The inside of the enclosure to scale: mains to the left, low voltage beyond the barrier, glands below. */
export function Enclosure({ plan, picked, onPick, system }: Props) {
  const layout = layoutOf(plan);
  const { width, height, barrier, pieces, glands } = layout;
  const x = (m: number) => LEFT + m * SCALE;
  const y = (m: number) => TOP + (height - m) * SCALE;
  const net = netlistOf(plan);
  const mm = (m: number) => printMeasure(Math.round(m * 1000) / 1000, measures.thickness, system);
  const ways = net.wires.map((wire) => {
    const points = layout.ways[wire.id]!.map(([px, py]) => [x(px), y(py)] as const);
    // Its number stands on the longest stretch of its way.
    const stretches = points.slice(1).map((to, i) => ({ from: points[i]!, to }));
    const size = ({ from, to }: (typeof stretches)[0]) => Math.abs(to[0] - from[0]) + Math.abs(to[1] - from[1]);
    const { from, to } = stretches.reduce((best, next) => (size(next) > size(best) ? next : best));
    const share = 0.25 + 0.5 * (((wire.number * 7) % 10) / 10);
    return {
      wire,
      d: `M${points.map(([px, py]) => `${px.toFixed(1)} ${py.toFixed(1)}`).join("L")}`,
      at: [from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share] as const,
    };
  });
  return (
    <svg
      width={LEFT * 2 + width * SCALE}
      height={TOP + height * SCALE + BELOW}
      className="block text-[11px]"
      fill="currentColor"
      role="img"
      aria-label={`Inside of the enclosure, ${mm(width)} by ${mm(height)}: ${pieces.map((p) => p.label).join(", ")}`}
      data-drawing="enclosure"
    >
      <rect
        x={x(0)}
        y={y(height)}
        width={width * SCALE}
        height={height * SCALE}
        fill="var(--color-base-100)"
        stroke="currentColor"
        strokeWidth="2"
      />
      <rect
        x={x(barrier)}
        y={y(height)}
        width={(width - barrier) * SCALE}
        height={height * SCALE}
        fill="url(#dots-cold)"
        opacity="0.18"
      />
      <line x1={x(barrier)} x2={x(barrier)} y1={y(height)} y2={y(0)} stroke="currentColor" strokeWidth="4" />
      {pieces.map((p) => (
        <g key={p.id}>
          <rect
            x={x(p.x)}
            y={y(p.y + p.height)}
            width={p.width * SCALE}
            height={p.height * SCALE}
            fill="var(--color-base-200)"
            stroke="currentColor"
            strokeWidth="1.4"
          />
          <foreignObject x={x(p.x)} y={y(p.y + p.height)} width={p.width * SCALE} height={p.height * SCALE}>
            <div className="text-base-content flex h-full items-center justify-center p-0.5 text-center text-[10px] leading-[1.05]">
              <span>
                <strong>{p.letter}</strong> {p.label}
                {p.watts >= 1 ? `, ${Math.round(p.watts)}\u00a0W` : ""}
              </span>
            </div>
          </foreignObject>
          {Object.entries(p.terminals).map(([name, [px, py]]) => (
            <circle key={name} cx={x(px)} cy={y(py)} r="3" fill="var(--color-base-100)" stroke="currentColor">
              <title>{sayMarked(name, net)}</title>
            </circle>
          ))}
        </g>
      ))}
      {ways.map(({ wire, d, at }) => (
        <g
          key={wire.id}
          opacity={picked === null || picked === wire.id ? 1 : 0.35}
          className="cursor-pointer"
          onClick={() => onPick(wire.id)}
          data-wire={wire.id}
        >
          <path
            d={d}
            fill="none"
            stroke={picked === wire.id ? "var(--heat)" : "currentColor"}
            strokeWidth={picked === wire.id ? 4 : 1.2}
            strokeDasharray={
              wire.job === "earth" ? "7 3" : wire.job === "second" ? "2 2" : wire.job === "low" ? "5 2 1 2" : undefined
            }
          />
          <text
            x={at[0]}
            y={at[1] + 3}
            textAnchor="middle"
            className="text-[9px]"
            stroke="var(--color-base-100)"
            strokeWidth="3"
            paintOrder="stroke"
            data-number={wire.number}
          >
            {wire.number}
          </text>
          <title>{`${wire.number}: ${sayMarked(wire.from, net)} \u2013 ${sayMarked(wire.to, net)}, ${colourOf(wire, plan.wiring)}`}</title>
        </g>
      ))}
      {glands.map((g, i) => (
        <g key={g.id}>
          <rect x={x(g.x) - 8} y={y(0) - 3} width="16" height="10" stroke="currentColor" fill="var(--color-base-200)" />
          <path d={`M${x(g.x)} ${y(0) + 7}v${8 + 13 * (i % 2)}`} stroke="currentColor" fill="none" />
          <text x={x(g.x)} y={y(0) + 28 + 13 * (i % 2)} textAnchor="middle">
            {g.label}
          </text>
        </g>
      ))}
      <text x={x(0)} y={TOP - 3}>
        mains
      </text>
      <text x={x(barrier) + 4} y={TOP - 3}>
        low voltage
      </text>
      <text x={x(0)} y={y(0) + 58}>
        {mm(width)} wide, {mm(height)} high, {mm(layout.depth)} deep, at the least
      </text>
    </svg>
  );
}
