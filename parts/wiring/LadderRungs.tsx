import { hasCutOut, hasTwoCords, relaysInUnit, usesAnsi, type OutletName, type WiringPlan } from "@/core/wiring";
import { LEFT, middle, OWN_CORD, RIGHT, WIDTH, words, type Draw } from "./ladderPlaces";
import { Coil, Contact, CutOut, Lamp, Outlet } from "./symbols";

interface RungProps {
  plan: WiringPlan;
  o: OutletName;
  y: number;
  draw: Draw;
}

/** A contact of the unit that feeds the coil of a contactor; a thin line joins it to what it closes. */
export function CoilRung({ plan, o, y, to, draw }: RungProps & { to: number }) {
  const ansi = usesAnsi(plan);
  const off = o === "heat" ? 0 : 16;
  return (
    <g>
      {draw(`${o}-drive-feed`, `M ${LEFT} ${y} H 168`)}
      <Contact x={168} y={y} ansi={ansi} solid={false} />
      <text x="188" y={y - 18} {...middle}>
        unit, contact {o}
      </text>
      {draw(`${o}-drive`, `M 208 ${y} H 282`)}
      <Coil x={282} y={y} ansi={ansi} />
      <text x="326" y={y - 16} {...words}>
        coil {o}
      </text>
      {draw(`${o}-drive-back`, `M 318 ${y} H ${RIGHT}`)}
      <path
        d={`M ${292 + off} ${y + (ansi ? 17 : 13)} V ${to - 34} M 188 ${to - 8} V ${to - 34} H 470 V ${to - 8}`}
        fill="none"
        stroke="currentColor"
        strokeWidth="1"
        strokeDasharray="3 4"
      />
    </g>
  );
}

/** A switched path: contact, cut-out, outlet with its lamp, the other conductor, earth. */
export function OutletRung({ plan, o, y, earth, draw }: RungProps & { earth: number }) {
  const { wiring } = plan;
  const ansi = usesAnsi(plan);
  const own = hasTwoCords(plan) && o === "cold";
  const contactor = wiring.relay === "contactor";
  const cut = o === "heat" && hasCutOut(plan);
  const relay = {
    mechanical: relaysInUnit(plan) ? "unit, contact" : "relay",
    solid: "solid-state relay",
    contactor: "contactor",
  };
  const second = own ? `M ${RIGHT} ${y - OWN_CORD - 4} V ${y} H` : `M ${RIGHT} ${y} H`;
  return (
    <g>
      {!own && draw(`${o}-feed`, `M ${LEFT} ${y} H 168`)}
      <Contact x={168} y={y} ansi={ansi} solid={wiring.relay === "solid"} />
      <text x={contactor ? 162 : 188} y={y + 24} {...(contactor ? { ...words, textAnchor: "start" as const } : middle)}>
        {relay[wiring.relay]} {o}
      </text>
      {cut ? (
        <>
          {draw("heat-switched", `M 208 ${y} H 258`)}
          {draw("heat-cut-out", `M 284 ${y} H 348`)}
          <CutOut x={258} y={y} />
          <text x="271" y={y - 14} {...middle}>
            one-shot cut-out
          </text>
        </>
      ) : (
        draw(`${o}-switched`, `M 208 ${y} H 348`)
      )}
      <Outlet x={370} y={y} ansi={ansi} />
      {wiring.pilots && (
        <>
          {draw(`${o}-pilot-1`, `M 342 ${y} V ${y - 32} H 361`)}
          {draw(`${o}-pilot-2`, `M 379 ${y - 32} H 398 V ${y}`)}
          <Lamp x={370} y={y - 32} ansi={ansi} />
        </>
      )}
      <text x="330" y={y + 26} {...words} textAnchor="end" className="text-xs font-semibold">
        outlet {o}
      </text>
      {contactor ? (
        <>
          {draw(`${o}-second-switched`, `M 392 ${y} H 450`)}
          <Contact x={450} y={y} ansi={ansi} solid={false} />
          {draw(`${o}-second`, `${second} 490`)}
        </>
      ) : (
        draw(`${o}-second`, `${second} 392`)
      )}
      {draw(`${o}-earth`, `M 370 ${y + 20} V ${y + 32} H ${o === "heat" ? 424 : 436} V ${earth}`)}
    </g>
  );
}

/** Low voltage keeps to its own side. */
export function LowSide({ plan, y, draw }: { plan: WiringPlan; y: number; draw: Draw }) {
  return (
    <g>
      <path d={`M 14 ${y} H ${WIDTH - 14}`} stroke="currentColor" strokeWidth="2" strokeDasharray="10 5" />
      <text x={WIDTH - 16} y={y + 15} {...words} textAnchor="end">
        barrier: below it low voltage alone
      </text>
      {draw("probe-1", `M 155 ${y + 28} H 262`)}
      {draw("probe-2", `M 155 ${y + 34} H 262`)}
      <circle cx="150" cy={y + 31} r="6" fill="var(--color-base-100)" stroke="currentColor" strokeWidth="1.6" />
      <text x="270" y={y + 35} {...words}>
        probe to the unit
      </text>
      {plan.wiring.supply > 0 && (
        <>
          {draw("twelve-1", `M 150 ${y + 58} H 262`)}
          {draw("twelve-2", `M 150 ${y + 66} H 262`)}
          <text x="270" y={y + 66} {...words}>
            12 V supply to its terminals: fan, light
          </text>
        </>
      )}
    </g>
  );
}
