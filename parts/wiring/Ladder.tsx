import {
  hasTwoCords,
  ladderOf,
  mainsTable,
  netlistOf,
  outletsIn,
  sayMarked,
  usesAnsi,
  type WiringPlan,
} from "@/core/wiring";
import { LadderLow, LOW_STEP } from "./LadderLow";
import { LEFT, middle, RIGHT, RUNG, WIDTH, type Draw } from "./ladderPlaces";
import { LadderRails, railHeight } from "./LadderRails";
import { dropOf, LadderRung } from "./LadderRung";
import { Dot, Number } from "./symbols";

interface Props {
  plan: WiringPlan;
  /** The conductor that is picked in the list. */
  picked: string | null;
  onPick: (id: string) => void;
}

/**
 * The wiring as a ladder: what comes in at the top, the two supply rails at fixed places, a rung for each path between
 * them, earth as the bottom rail, low voltage beyond the barrier. Every wire has its number, every part its letter.
 */
export function Ladder({ plan, picked, onPick }: Props) {
  const net = netlistOf(plan);
  const ladder = ladderOf(plan);
  const ansi = usesAnsi(plan);
  const own = hasTwoCords(plan);
  const first = railHeight(ladder.rails.filter((r) => r.cord === 1));
  const second = own ? railHeight(ladder.rails.filter((r) => r.cord === 2)) : 0;
  const rungs = ladder.rungs;
  const yOf = (i: number) => first + 40 + i * RUNG + (own && rungs[i]!.cord === 2 ? second : 0);
  const lastOf = (cord: 1 | 2) => yOf(rungs.map((r) => r.cord).lastIndexOf(cord));
  const earth = yOf(rungs.length - 1) + 62;
  const ends = ladder.earths;
  const drops = rungs.map(dropOf);
  const low = earth + 56;
  const height = low + 30 + ladder.low.length * LOW_STEP;
  const draw: Draw = (wire, d, x, y) => {
    const on = picked === wire.id;
    return (
      <g key={wire.id} onClick={() => onPick(wire.id)} className="cursor-pointer" data-wire={wire.id}>
        <path d={d} fill="none" stroke="transparent" strokeWidth="14" />
        <path
          d={d}
          fill="none"
          stroke={on ? "var(--heat)" : "currentColor"}
          strokeWidth={on ? 4.5 : wire.job === "low" ? 1.3 : 1.8}
          strokeDasharray={wire.job === "earth" ? "9 3" : wire.job === "low" ? "5 4" : undefined}
        />
        <Number x={x} y={y} n={wire.number} low={wire.job === "low"} />
      </g>
    );
  };
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      width={WIDTH}
      height={height}
      role="img"
      aria-label={`Wiring as a ladder: ${mainsTable[plan.wiring.mains].label}${own ? ", two cords" : ""}, ${outletsIn(
        plan,
      )
        .map((o) => `an outlet for ${o}`)
        .join(", ")}, earth at the bottom, ${net.wires.length} numbered wires`}
      className="h-auto min-w-[44rem] max-w-full"
    >
      <LadderRails plan={ladder} net={net} cord={1} top={0} to={lastOf(1)} ansi={ansi} draw={draw} />
      {own && (
        <>
          <path d={`M 24 ${lastOf(1) + 58} H ${WIDTH - 24}`} stroke="currentColor" strokeDasharray="1 5" />
          <LadderRails
            plan={ladder}
            net={net}
            cord={2}
            top={lastOf(2) - second + 6}
            to={lastOf(2)}
            ansi={ansi}
            draw={draw}
          />
        </>
      )}
      <path d={`M 40 ${earth} H ${RIGHT}`} stroke="currentColor" strokeWidth="3" strokeDasharray="9 3" />
      <text x={RIGHT + 6} y={earth + 4} className="text-xs" fill="currentColor">
        earth
      </text>
      {rungs.map((rung, i) => (
        <LadderRung
          key={rung.id}
          rung={rung}
          net={net}
          y={yOf(i)}
          ansi={ansi}
          earth={earth}
          passed={rungs.slice(i + 1).map((_, k) => yOf(i + 1 + k))}
          draw={draw}
        />
      ))}
      {ends.map((wire, i) => {
        const near = LEFT + 24 + i * 118;
        // Not where the earth of an outlet comes down.
        const x = drops.some((d) => Math.abs(d - near) < 22) ? near + 40 : near;
        const source = net.pins.get(wire.from)!.role.is === "source";
        const outer = source ? wire.from : wire.to;
        return (
          <g key={wire.id}>
            {draw(wire, `M ${x} ${earth} v 22`, x, earth + 12)}
            <Dot x={x} y={earth} />
            <text x={x} y={earth + 36} {...middle}>
              {sayMarked(outer, net)}
            </text>
          </g>
        );
      })}
      <LadderLow plan={ladder} net={net} y={low} draw={draw} />
    </svg>
  );
}
