import { colourOf, mainsTable, outletsIn, type OutletName, type WiringPlan } from "@/core/wiring";

interface Props {
  plan: WiringPlan;
  /** The conductor that is picked in the list. */
  picked: string | null;
  onPick: (id: string) => void;
}

const LEFT = 70;
const RIGHT = 530;
const WIDTH = 600;
const TOP = 96;
const RUNG = 74;

const names: Record<OutletName, string> = { heat: "heat", cold: "cold" };

/**
 * The wiring as a ladder: what comes in at the top, the two supply rails at fixed places, a rung for each switched path from
 * the contact to its outlet, earth as the bottom rail, low voltage beyond the barrier. Symbols by IEC 60617 or, where the
 * mains are American, by ANSI.
 */
export function Ladder({ plan, picked, onPick }: Props) {
  const { wiring } = plan;
  const mains = mainsTable[wiring.mains];
  const outlets = outletsIn(plan);
  const rungs = ["unit", ...outlets] as const;
  const yOf = (i: number) => TOP + 46 + i * RUNG;
  const bottom = yOf(rungs.length - 1) + 40;
  const earth = bottom + 26;
  const height = earth + 96;
  const wire = (id: string, d: string) => {
    const on = picked === id;
    return (
      <g key={id} onClick={() => onPick(id)} className="cursor-pointer">
        <path d={d} fill="none" stroke="transparent" strokeWidth="14" />
        <path d={d} fill="none" stroke={on ? "var(--heat)" : "currentColor"} strokeWidth={on ? 4.5 : 1.8} />
      </g>
    );
  };
  const fused = wiring.fuse > 0;
  const [one, two] = mains.twoLines ? ["line 1", "line 2"] : ["line", "neutral"];
  // The way in, from the top down to its rail, cut where fuse and switch lie.
  const firstCuts = [
    ...(fused ? [{ y: 34, what: "fuse" as const }] : []),
    ...(wiring.mainSwitch !== "none" ? [{ y: 64, what: "switch" as const }] : []),
  ];
  const secondCuts = wiring.mainSwitch === "both" ? [{ y: 64, what: "switch" as const }] : [];
  const way = (x: number, prefix: string, cuts: { y: number; what: "fuse" | "switch" }[]) => {
    let from = 14;
    const made = cuts.map(({ y, what }, i) => {
      const d = `M ${x} ${from} V ${y - 10}`;
      from = y + 10;
      return (
        <g key={what}>
          {wire(`${prefix}-${i + 1}`, d)}
          {what === "fuse" ? (
            <g>
              <rect
                x={x - 6}
                y={y - 10}
                width="12"
                height="20"
                fill="var(--color-base-100)"
                stroke="currentColor"
                strokeWidth="1.6"
              />
              {!mains.american && <path d={`M ${x} ${y - 10} V ${y + 10}`} stroke="currentColor" strokeWidth="1.2" />}
            </g>
          ) : (
            <path d={`M ${x} ${y + 10} L ${x + 11} ${y - 9}`} stroke="currentColor" strokeWidth="2" />
          )}
        </g>
      );
    });
    return (
      <>
        {made}
        {wire(`${prefix}-${cuts.length + 1}`, `M ${x} ${from} V ${yOf(0)}`)}
      </>
    );
  };
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      width={WIDTH}
      height={height}
      role="img"
      aria-label={`Wiring as a ladder: ${mains.label}, ${outlets.map((o) => `an outlet for ${names[o]}`).join(", ")}, earth at the bottom`}
      className="h-auto min-w-[36rem] max-w-full"
    >
      <g className="text-xs" fill="currentColor">
        <text x={LEFT} y={9} textAnchor="middle">
          plug, {one}
        </text>
        <text x={RIGHT} y={9} textAnchor="middle">
          plug, {two}
        </text>
        {fused && (
          <text x={LEFT + 14} y={38}>
            fuse {wiring.fuse} A
          </text>
        )}
        {wiring.mainSwitch !== "none" && (
          <text x={LEFT + 18} y={58}>
            main switch{wiring.mainSwitch === "both" ? ", both poles" : ""}
          </text>
        )}
      </g>
      {way(LEFT, "live", firstCuts)}
      {way(RIGHT, "second", secondCuts)}
      {wiring.mainSwitch === "both" && (
        <path d={`M ${LEFT + 7} 64 H ${RIGHT + 5}`} stroke="currentColor" strokeDasharray="3 4" strokeWidth="1" />
      )}
      {/* The rails below the first rung: the common points. */}
      <path d={`M ${LEFT} ${yOf(0)} V ${yOf(rungs.length - 1)}`} stroke="currentColor" strokeWidth="3" />
      <path d={`M ${RIGHT} ${yOf(0)} V ${yOf(rungs.length - 1)}`} stroke="currentColor" strokeWidth="3" />
      {rungs.map((rung, i) => {
        const y = yOf(i);
        if (rung === "unit")
          return (
            <g key={rung}>
              {wire("unit-1", `M ${LEFT} ${y} H 262`)}
              {wire("unit-2", `M 338 ${y} H ${RIGHT}`)}
              <rect
                x="262"
                y={y - 18}
                width="76"
                height="36"
                rx="2"
                fill="var(--color-base-200)"
                stroke="currentColor"
                strokeWidth="1.6"
              />
              <text x="300" y={y + 4} textAnchor="middle" className="text-xs" fill="currentColor">
                unit
              </text>
            </g>
          );
        const cutOut = rung === "heat" && plan.heat !== null;
        return (
          <g key={rung}>
            {wire(`${rung}-feed`, `M ${LEFT} ${y} H 168`)}
            <Contact x={168} y={y} american={mains.american} solid={wiring.relay === "solid"} />
            <text x="188" y={y - 16} textAnchor="middle" className="text-xs" fill="currentColor">
              {wiring.relay === "solid" ? "solid-state relay" : "relay"} {names[rung]}
            </text>
            {wire(`${rung}-switched`, `M 208 ${y} H 348`)}
            {cutOut && (
              <g>
                <rect
                  x="268"
                  y={y - 7}
                  width="26"
                  height="14"
                  fill="var(--color-base-100)"
                  stroke="currentColor"
                  strokeWidth="1.5"
                />
                <path
                  d={`M 268 ${y} H 276 L 282 ${y - 5} L 288 ${y + 5} H 294`}
                  fill="none"
                  stroke="currentColor"
                  strokeWidth="1.3"
                />
                <text x="281" y={y + 22} textAnchor="middle" className="text-xs" fill="currentColor">
                  one-shot cut-out
                </text>
              </g>
            )}
            <Outlet x={370} y={y} />
            <text x="370" y={y - 22} textAnchor="middle" className="text-xs font-semibold" fill="currentColor">
              outlet {names[rung]}
            </text>
            {wire(`${rung}-second`, `M 392 ${y} H ${RIGHT}`)}
            {wire(`${rung}-earth`, `M 370 ${y + 20} V ${y + 30} H ${420 + i * 16} V ${earth}`)}
          </g>
        );
      })}
      {wiring.outlets === "twin" && outlets.length === 2 && (
        <g>
          <path
            d={`M 336 ${yOf(1)} V ${yOf(2)}`}
            stroke={wiring.linkBroken ? "currentColor" : "var(--color-error)"}
            strokeWidth="2"
            strokeDasharray={wiring.linkBroken ? "2 6" : undefined}
          />
          <text
            x="330"
            y={(yOf(1) + yOf(2)) / 2 + 4}
            textAnchor="end"
            className="text-xs"
            fill={wiring.linkBroken ? "currentColor" : "var(--color-error)"}
          >
            link {wiring.linkBroken ? "broken" : "whole"}
          </text>
        </g>
      )}
      {wire("earth", `M 24 14 V ${earth} H ${RIGHT}`)}
      <text x="24" y="9" textAnchor="middle" className="text-xs" fill="currentColor">
        earth
      </text>
      {wiring.metalBox && (
        <g>
          {wire("box-earth", `M 120 ${earth} v 16`)}
          <text x="120" y={earth + 28} textAnchor="middle" className="text-xs" fill="currentColor">
            metal of the box
          </text>
        </g>
      )}
      {/* Low voltage keeps to its own side. */}
      <path d={`M 14 ${earth + 42} H ${WIDTH - 14}`} stroke="currentColor" strokeWidth="2" strokeDasharray="10 5" />
      <text x={WIDTH - 16} y={earth + 56} textAnchor="end" className="text-xs" fill="currentColor">
        barrier: below it low voltage alone
      </text>
      <circle cx="150" cy={earth + 72} r="5" fill="none" stroke="currentColor" strokeWidth="1.6" />
      <path d={`M 155 ${earth + 72} H 250`} stroke="currentColor" strokeWidth="1.2" />
      <text x="256" y={earth + 76} className="text-xs" fill="currentColor">
        probe to the unit
      </text>
    </svg>
  );
}

/** A make contact: a slanted blade by IEC, two bars by ANSI; a solid-state relay in its frame. */
function Contact({ x, y, american, solid }: { x: number; y: number; american: boolean; solid: boolean }) {
  return (
    <g stroke="currentColor" fill="none" strokeWidth="2">
      {solid && <rect x={x} y={y - 12} width="40" height="24" strokeDasharray="3 3" strokeWidth="1.3" />}
      {american ? (
        <path d={`M ${x} ${y} h 14 M ${x + 14} ${y - 10} v 20 M ${x + 26} ${y - 10} v 20 M ${x + 26} ${y} h 14`} />
      ) : (
        <path d={`M ${x} ${y} h 10 L ${x + 30} ${y - 13} M ${x + 30} ${y} h 10`} />
      )}
    </g>
  );
}

const Outlet = ({ x, y }: { x: number; y: number }) => (
  <g stroke="currentColor" strokeWidth="1.8" fill="var(--color-base-100)">
    <circle cx={x} cy={y} r="20" />
    <circle cx={x - 8} cy={y} r="2.6" fill="currentColor" />
    <circle cx={x + 8} cy={y} r="2.6" fill="currentColor" />
    <path d={`M ${x - 5} ${y + 12} h 10`} />
    <path d={`M ${x - 22} ${y} h 11 M ${x + 11} ${y} h 11`} strokeWidth="1.4" />
  </g>
);

/** The colour of a conductor as a short stroke beside its name. */
export function Swatch({
  job,
  mains,
}: {
  job: Parameters<typeof colourOf>[0]["job"];
  mains: WiringPlan["wiring"]["mains"];
}) {
  const name = colourOf({ job }, { mains });
  const inks: Record<string, string> = {
    brown: "#6b3f1d",
    blue: "#2f6fb5",
    black: "#1c1c1c",
    white: "#f4f4f4",
    red: "#b3261e",
    green: "#2f7d3a",
  };
  const ink = inks[name.split(/[,-]/)[0]!] ?? "currentColor";
  return (
    <svg width="26" height="12" aria-hidden className="mr-2 inline-block align-middle">
      <rect x="0.5" y="2.5" width="25" height="7" fill={ink} stroke="currentColor" strokeOpacity="0.6" />
      {name.startsWith("green-yellow") && <path d="M 0 6 h 26" stroke="#e0c21a" strokeWidth="3" />}
      {name.includes("marked") && <path d="M 9 2 v 8 M 17 2 v 8" stroke="#f4f4f4" strokeWidth="2" />}
    </svg>
  );
}
