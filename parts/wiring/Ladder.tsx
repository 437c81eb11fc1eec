import { hasTwoCords, linksIn, mainsTable, outletsIn, relaysInUnit, rungsOf, type WiringPlan } from "@/core/wiring";
import { LEFT, middle, OWN_CORD, RIGHT, RUNG, TOP, WIDTH, type Draw } from "./ladderPlaces";
import { CoilRung, LowSide, OutletRung } from "./LadderRungs";
import { SecondWayIn, WayIn } from "./LadderWays";
import { Block } from "./symbols";

interface Props {
  plan: WiringPlan;
  /** The conductor that is picked in the list. */
  picked: string | null;
  onPick: (id: string) => void;
}

/**
 * The wiring as a ladder: what comes in at the top, the two supply rails at fixed places, a rung for each switched path from
 * the contact to its outlet, earth as the bottom rail, low voltage beyond the barrier. Symbols by IEC 60617 or ANSI Y32.
 */
export function Ladder({ plan, picked, onPick }: Props) {
  const { wiring } = plan;
  const mains = mainsTable[wiring.mains];
  const outlets = outletsIn(plan);
  const rungs = rungsOf(plan);
  const own = hasTwoCords(plan);
  const yOf = (i: number) => TOP + 46 + i * RUNG + (own && i === rungs.length - 1 ? OWN_CORD : 0);
  const at = (rung: (typeof rungs)[number]) => yOf(rungs.indexOf(rung));
  const last = rungs.length - 1 - (own ? 1 : 0);
  const earth = yOf(rungs.length - 1) + 74;
  const low = earth + (wiring.metalBox ? 50 : 34);
  const height = low + 30 + (wiring.supply > 0 ? 54 : 30);
  const draw: Draw = (id, d, dashed = false) => {
    const on = picked === id;
    return (
      <g key={id} onClick={() => onPick(id)} className="cursor-pointer" data-wire={id}>
        <path d={d} fill="none" stroke="transparent" strokeWidth="14" />
        <path
          d={d}
          fill="none"
          stroke={on ? "var(--heat)" : "currentColor"}
          strokeWidth={on ? 4.5 : dashed ? 1.2 : 1.8}
          strokeDasharray={dashed ? "5 4" : undefined}
        />
      </g>
    );
  };
  const drives = outlets.filter(() => wiring.relay !== "contactor" && !relaysInUnit(plan));
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      width={WIDTH}
      height={height}
      role="img"
      aria-label={`Wiring as a ladder: ${mains.label}${own ? ", two cords" : ""}, ${outlets.map((o) => `an outlet for ${o}`).join(", ")}, earth at the bottom`}
      className="h-auto min-w-[38rem] max-w-full"
    >
      <WayIn plan={plan} draw={draw} to={yOf(0)} />
      {/* The rails below the first rung: the common points. */}
      {[LEFT, RIGHT].map((x) => (
        <path key={x} d={`M ${x} ${yOf(0)} V ${yOf(last)}`} stroke="currentColor" strokeWidth="3" />
      ))}
      {own && <SecondWayIn plan={plan} draw={draw} y={at("cold")} earth={earth} />}
      {drives.map((o, i) => {
        const x = 226 + i * 14;
        const [from, to] = [at("unit") + 18, at(o) - 24];
        return [
          draw(`${o}-drive-1`, `M 300 ${from} v 8 H ${x} V ${to} H 186 v 10`, true),
          draw(`${o}-drive-2`, `M 306 ${from} v 13 H ${x + 5} V ${to - 5} H 191 v 15`, true),
        ];
      })}
      {rungs.map((rung, i) => {
        const y = yOf(i);
        if (rung === "unit" || rung === "supply")
          return (
            <g key={rung}>
              {draw(`${rung}-1`, `M ${LEFT} ${y} H 262`)}
              {draw(`${rung}-2`, `M 338 ${y} H ${RIGHT}`)}
              <Block x={262} y={y} text={rung === "unit" ? "unit" : "12 V supply"} />
            </g>
          );
        if (rung === "heat coil" || rung === "cold coil")
          return (
            <CoilRung
              key={rung}
              plan={plan}
              o={rung === "heat coil" ? "heat" : "cold"}
              y={y}
              to={at(rung === "heat coil" ? "heat" : "cold")}
              draw={draw}
            />
          );
        return <OutletRung key={rung} plan={plan} o={rung} y={y} earth={earth} draw={draw} />;
      })}
      {wiring.outlets === "twin" && outlets.length === 2 && (
        <g>
          <path
            d={`M 336 ${at("heat")} V ${at("cold")}`}
            stroke={wiring.linkBroken ? "currentColor" : "var(--color-error)"}
            strokeWidth="2"
            strokeDasharray={wiring.linkBroken ? "2 6" : undefined}
          />
          <text
            x="330"
            y={(at("heat") + at("cold")) / 2 + 8}
            textAnchor="end"
            className="text-xs"
            fill={wiring.linkBroken ? "currentColor" : "var(--color-error)"}
          >
            link {wiring.linkBroken ? "broken" : "whole"}
          </text>
        </g>
      )}
      {linksIn(plan).second && (
        <path d={`M 404 ${at("heat")} V ${at("cold")}`} stroke="currentColor" strokeWidth="2" data-link="second" />
      )}
      {draw("earth", `M 24 14 V ${earth} H ${RIGHT}`)}
      <text x="24" y="9" {...middle}>
        earth
      </text>
      {wiring.metalBox && (
        <g>
          {draw("box-earth", `M 150 ${earth} v 16`)}
          <text x="150" y={earth + 30} {...middle}>
            metal of the box
          </text>
        </g>
      )}
      <LowSide plan={plan} y={low} draw={draw} />
    </svg>
  );
}
