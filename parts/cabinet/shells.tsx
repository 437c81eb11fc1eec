import { hasCooler, hasHeater, hasIce, heatersOf, insideOf, isOnePlate } from "@/core/chamber";
import type { Chamber } from "@/core/model";

/** What a box's drawing hands to what stands in it, px. */
export interface Space {
  /** Where things stand, and how far they may reach up and to each side. */
  floor: number;
  left: number;
  right: number;
  top: number;
  /** The liquid of a bath or kettle reaches up to here; null where there is air. */
  liquid: number | null;
}

export interface ShellProps {
  chamber: Chamber;
  /** Pixels of a metre. */
  metre: number;
}

const line = { stroke: "currentColor", strokeWidth: 1.6, fill: "none" } as const;
const outer = { fill: "var(--color-base-200)", stroke: "currentColor", strokeWidth: 1.6 } as const;
const inner = { fill: "var(--color-base-100)", stroke: "currentColor", strokeWidth: 1 } as const;

/** Where things stand in a box. */
export function spaceOf({ chamber, metre }: ShellProps): Space {
  const { cabinet } = chamber;
  const w = cabinet.width * metre;
  const h = (cabinet.height + cabinet.collar) * metre;
  const wall = Math.max(3, cabinet.insulation * metre);
  const inside = insideOf(cabinet);
  switch (cabinet.kind) {
    case "crock":
      return { floor: h - wall - 8, left: wall + 5, right: w - wall - 5, top: wall, liquid: h * 0.3 };
    case "kettle":
      return { floor: h - 7, left: 4, right: w - 4, top: 4, liquid: h * 0.22 };
    case "jacketed":
      return { floor: h - wall - 14, left: wall, right: w - wall, top: wall, liquid: h * 0.28 };
    case "drum":
      return { floor: h * 0.38, left: 6, right: w - 6, top: 6, liquid: null };
    case "brick":
      return { floor: h * 0.55, left: wall, right: w - wall, top: wall + h * 0.08, liquid: null };
    default:
      return {
        floor: wall + inside.height * metre - (cabinet.kind === "foam" ? 1 : 8),
        left: wall,
        right: w - wall,
        top: wall,
        liquid: null,
      };
  }
}

const Cold = ({ x, y, w, h }: { x: number; y: number; w: number; h: number }) => (
  <rect x={x} y={y} width={w} height={h} fill="url(#dots-cold)" stroke="var(--cold)" strokeWidth="1" rx="2" />
);
const Heat = ({ x, y, w, h }: { x: number; y: number; w: number; h: number }) => (
  <rect x={x} y={y} width={w} height={h} fill="url(#hatch-heat)" stroke="var(--heat)" strokeWidth="0.9" rx="1" />
);

/** Heater and cold of an air box: on the floor, on the vessel's side, under the lid. */
function Devices({ chamber, space }: { chamber: Chamber; space: Space }) {
  const { left, right, floor, top } = space;
  const w = right - left;
  const lit = heatersOf(chamber).filter((h) => h.kind === "lamp" || h.kind === "bulb");
  const low = heatersOf(chamber).filter((h) => h.kind !== "lamp" && h.kind !== "bulb" && h.kind !== "belt");
  return (
    <>
      {hasCooler(chamber) &&
        (chamber.cabinet.kind === "chest" ? (
          <>
            <Cold x={left} y={top + 4} w={4} h={floor - top - 4} />
            <Cold x={right - 4} y={top + 4} w={4} h={floor - top - 4} />
          </>
        ) : (
          <Cold x={left + w * 0.2} y={top + 5} w={w * 0.6} h={Math.max(7, (floor - top) * 0.1)} />
        ))}
      {hasIce(chamber) && <Cold x={right - w * 0.22} y={floor - 22} w={w * 0.18} h={22} />}
      {lit.map((h, i) => (
        <path
          key={h.id}
          d={`M ${left + 8 + i * 24} ${top} v 8 l -6 9 h 18 l -6 -9 v -8`}
          fill="url(#hatch-heat)"
          stroke="var(--heat)"
          strokeWidth="1.1"
        />
      ))}
      {low.map((h, i) => (
        <Heat
          key={h.id}
          x={left + 4 + (i * (w - 8)) / low.length}
          y={floor + 2}
          w={(w - 8) / low.length - (low.length > 1 ? 4 : 0)}
          h={5}
        />
      ))}
    </>
  );
}

function Fridge({ chamber, metre }: ShellProps) {
  const { cabinet } = chamber;
  const space = spaceOf({ chamber, metre });
  const w = cabinet.width * metre;
  const h = cabinet.height * metre;
  const split = cabinet.kind === "fridgeFreezer";
  return (
    <>
      <rect x="0" y="0" width={w} height={h - 3} rx="5" {...outer} />
      <rect
        x={space.left}
        y={space.top}
        width={space.right - space.left}
        height={insideOf(cabinet).height * metre}
        rx="3"
        {...inner}
      />
      {split && <path d={`M 3 ${h - 9} H ${w - 3}`} {...line} strokeWidth={1} />}
      {cabinet.kind === "wine" && (
        <path
          d={`M ${space.left + 5} ${space.top + 8} V ${space.floor - 6}`}
          {...line}
          strokeWidth={0.8}
          strokeDasharray="6 5"
        />
      )}
      <path d={`M ${w * 0.12} ${h - 3} v 5 M ${w * 0.88} ${h - 3} v 5`} stroke="currentColor" strokeWidth="4" />
      <Devices chamber={chamber} space={space} />
      <line x1={space.left} x2={space.right} y1={space.floor + 1} y2={space.floor + 1} {...line} />
    </>
  );
}

function Chest({ chamber, metre }: ShellProps) {
  const { cabinet } = chamber;
  const space = spaceOf({ chamber, metre });
  const w = cabinet.width * metre;
  const h = (cabinet.height + cabinet.collar) * metre;
  const lid = Math.max(5, cabinet.insulation * metre);
  const collar = cabinet.collar * metre;
  const hump = w * 0.24;
  return (
    <>
      <rect x="0" y={lid} width={w} height={h - lid} rx="4" {...outer} />
      <path
        d={`M ${space.left} ${lid} V ${space.floor + 8} H ${space.right - hump} V ${space.floor - 22} H ${space.right} V ${lid} Z`}
        {...inner}
      />
      {collar > 0 && (
        <path
          d={`M 0 ${lid + collar} H ${w} M ${space.left} ${lid + collar / 2} h ${space.right - space.left}`}
          {...line}
          strokeWidth={0.8}
          strokeDasharray="3 3"
        />
      )}
      <rect x="-2" y="0" width={w + 4} height={lid} rx="3" {...outer} />
      <Devices chamber={chamber} space={space} />
    </>
  );
}

function Foam({ chamber, metre }: ShellProps) {
  const { cabinet } = chamber;
  const space = spaceOf({ chamber, metre });
  const w = cabinet.width * metre;
  const h = cabinet.height * metre;
  return (
    <>
      <rect x="-3" y="2" width={w + 6} height={h + 1} rx="6" {...line} strokeWidth={1} />
      <rect x="0" y="0" width={w} height={h} {...outer} />
      <path d={`M 0 ${space.top} H ${w}`} {...line} strokeWidth={1} />
      <rect x={space.left} y={space.top} width={space.right - space.left} height={h - 2 * space.top} {...inner} />
      <Devices chamber={chamber} space={space} />
    </>
  );
}

function Pot({ chamber, metre }: ShellProps) {
  const { cabinet } = chamber;
  const space = spaceOf({ chamber, metre });
  const w = cabinet.width * metre;
  const h = cabinet.height * metre;
  const kettle = cabinet.kind === "kettle";
  const liquid = kettle ? "var(--honey)" : "var(--slate)";
  return (
    <>
      <path d={`M 0 6 V ${h - 6} Q 0 ${h} 6 ${h} H ${w - 6} Q ${w} ${h} ${w} ${h - 6} V 6`} {...outer} />
      <path
        d={`M ${space.left} ${space.liquid!} V ${space.floor} H ${space.right} V ${space.liquid!} Z`}
        fill={liquid}
        opacity={kettle ? 0.8 : 0.28}
      />
      <path
        d={`M -3 6 H ${w + 3} M ${w * 0.3} 6 Q ${w / 2} -8 ${w * 0.7} 6 M ${w / 2 - 4} -2 v -4 h 8 v 4`}
        {...line}
      />
      <path d={`M -1 ${h * 0.35} h -7 v 8 h 7 M ${w + 1} ${h * 0.35} h 7 v 8 h -7`} {...line} />
      {hasHeater(chamber) &&
        (kettle ? (
          <path
            d={`M 4 ${space.floor - 5} q ${w * 0.1} -8 ${w * 0.2} 0 t ${w * 0.2} 0 t ${w * 0.2} 0 t ${w * 0.2} 0`}
            stroke="var(--heat)"
            strokeWidth="2.4"
            fill="none"
          />
        ) : (
          <Heat x={space.left} y={space.floor + 3} w={space.right - space.left} h={6} />
        ))}
    </>
  );
}

function Drum({ chamber, metre }: ShellProps) {
  const { cabinet } = chamber;
  const space = spaceOf({ chamber, metre });
  const w = cabinet.width * metre;
  const h = cabinet.height * metre;
  return (
    <>
      <rect x="0" y="0" width={w} height={h} rx="4" {...outer} />
      <path d={`M 0 ${h * 0.33} H ${w} M 0 ${h * 0.66} H ${w}`} {...line} strokeWidth={0.8} />
      <path d={`M -3 0 H ${w + 3} M ${w * 0.72} 0 v -10 h 8 v 10`} {...line} />
      <path d={`M 6 ${space.floor + 1} H ${w - 6}`} {...line} strokeDasharray="3 3" />
      <Heat x={w * 0.2} y={h * 0.76} w={w * 0.6} h={h * 0.15} />
      <path d={`M ${w * 0.2} ${h * 0.91} v ${h * 0.06} M ${w * 0.8} ${h * 0.91} v ${h * 0.06}`} {...line} />
      <path d={`M ${w} ${h * 0.93} h 12 v -8 h 10 v 14 h -10 v -6`} {...line} strokeWidth={1.2} />
    </>
  );
}

function Brick({ chamber, metre }: ShellProps) {
  const { cabinet } = chamber;
  const space = spaceOf({ chamber, metre });
  const w = cabinet.width * metre;
  const h = cabinet.height * metre;
  const course = 9;
  const rows = Math.floor((h - space.top) / course);
  const joints = Array.from({ length: rows }, (_, i) => {
    const y = space.top + i * course;
    const x = i % 2 ? space.left * 0.5 : 0;
    return `M 0 ${y} H ${space.left} M ${w - space.left} ${y} H ${w} ${x ? `M ${x} ${y} v ${course} M ${w - x} ${y} v ${course}` : ""}`;
  }).join(" ");
  return (
    <>
      <path d={`M -6 ${space.top} L ${w / 2} 0 L ${w + 6} ${space.top} Z`} {...outer} />
      <path d={`M ${w * 0.66} ${space.top * 0.5} V -10 h 12 V ${space.top * 0.7}`} {...outer} />
      <rect x="0" y={space.top} width={w} height={h - space.top} {...outer} />
      <rect x={space.left} y={space.top} width={w - 2 * space.left} height={h - space.top} {...inner} />
      <path d={joints} {...line} strokeWidth={0.6} opacity={0.7} />
      <path d={`M ${space.left} ${space.floor - h * 0.28} H ${w - space.left}`} {...line} strokeWidth={1.2} />
      <Heat x={w * 0.3} y={h - 18} w={w * 0.4} h={14} />
    </>
  );
}

function Jacketed({ chamber, metre }: ShellProps) {
  const { cabinet } = chamber;
  const space = spaceOf({ chamber, metre });
  const w = cabinet.width * metre;
  const h = cabinet.height * metre;
  return (
    <>
      <path
        d={`M 4 8 H ${w - 4} V ${h * 0.72} L ${w * 0.62} ${h - 12} H ${w * 0.38} L 4 ${h * 0.72} Z`}
        {...outer}
        strokeLinejoin="round"
      />
      <path
        d={`M ${space.left} ${space.liquid!} H ${space.right} V ${h * 0.7} L ${w * 0.6} ${h - 20} H ${w * 0.4} L ${space.left} ${h * 0.7} Z`}
        fill="var(--honey)"
        opacity="0.85"
      />
      <path
        d={`M 0 8 H ${w} M ${w / 2} 8 v -14 m -5 0 h 10 M ${w * 0.16} ${h * 0.75} L ${w * 0.1} ${h} M ${w * 0.84} ${h * 0.75} L ${w * 0.9} ${h}`}
        {...line}
      />
      {hasHeater(chamber) && <Heat x={w * 0.4} y={h - 12} w={w * 0.2} h={5} />}
      {hasCooler(chamber) && (
        <Cold
          x={w * 0.4}
          y={h - (chamber.heaters.some((k) => chamber.coolers.some((c) => isOnePlate(k, c))) ? 7 : 12)}
          w={w * 0.2}
          h={5}
        />
      )}
    </>
  );
}

/** The box itself with its devices. */
export function Shell(props: ShellProps) {
  switch (props.chamber.cabinet.kind) {
    case "chest":
      return <Chest {...props} />;
    case "foam":
      return <Foam {...props} />;
    case "crock":
    case "kettle":
      return <Pot {...props} />;
    case "drum":
      return <Drum {...props} />;
    case "brick":
      return <Brick {...props} />;
    case "jacketed":
      return <Jacketed {...props} />;
    default:
      return <Fridge {...props} />;
  }
}
