import type { WiringPlan } from "./plan";

export type OutletName = "heat" | "cold";

/** A wire of the list: where it runs, what it is for. */
export interface Wire {
  id: string;
  from: string;
  to: string;
  job: "first" | "second" | "earth" | "switched" | "low";
}

export const outletsIn = ({ heat, cold }: Pick<WiringPlan, "heat" | "cold">): OutletName[] => [
  ...(heat !== null ? (["heat"] as const) : []),
  ...(cold !== null ? (["cold"] as const) : []),
];

/** What cools has a cord of its own: only beside something that heats. */
export const hasTwoCords = ({ wiring, heat, cold }: WiringPlan): boolean =>
  wiring.secondCord && heat !== null && cold !== null;

/** The cords that feed it. */
export const cordsOf = (plan: WiringPlan): readonly (1 | 2)[] => (hasTwoCords(plan) ? [1, 2] : [1]);

const isTwin = ({ wiring, heat, cold }: WiringPlan): boolean =>
  wiring.outlets === "twin" && heat !== null && cold !== null;

/**
 * A twin socket joins both of its sides. The live one is broken; the other one too where the second conductors of both
 * must not meet: they come by cords of their own, or a contactor opens them.
 */
export const breaksBothLinks = (plan: WiringPlan): boolean =>
  isTwin(plan) && (hasTwoCords(plan) || plan.wiring.relay === "contactor");

/** Whether the links of a twin socket are there, where nothing is wrong. */
export const linksIn = (plan: WiringPlan): { first: boolean; second: boolean } => ({
  first: isTwin(plan) && !plan.wiring.linkBroken,
  second: isTwin(plan) && !(breaksBothLinks(plan) && plan.wiring.linkBroken),
});

/** Its relays are contacts of the unit itself. */
export const relaysInUnit = ({ wiring }: Pick<WiringPlan, "wiring">): boolean =>
  wiring.relay === "mechanical" && wiring.relaysIn === "unit";

/** The plug goes in both ways round; what is laid fixed has none. */
export const plugTurns = ({ wiring }: WiringPlan): boolean => wiring.laid === "cord" && wiring.plugTurns;

/** A one-shot cut-out in series with what heats. */
export const hasCutOut = ({ wiring, heat }: WiringPlan): boolean => wiring.cutOut && heat !== null;

/** Where the other conductor comes from that an outlet is fed by. */
const secondFor = (plan: WiringPlan, outlet: OutletName): string =>
  hasTwoCords(plan) && outlet === "cold" ? "cold plug 2" : "common 2";

/** The plug that feeds an outlet. */
export const plugOf = (plan: WiringPlan, outlet: OutletName): "plug" | "cold plug" =>
  hasTwoCords(plan) && outlet === "cold" ? "cold plug" : "plug";

/** Where the other conductor of the second cord ends: the neutral that must not meet that of the first. */
export const coldSecondEnd = ({ wiring }: WiringPlan): string =>
  wiring.relay === "contactor" ? "cold relay in 2" : "cold 2";

/** A plan is asked for its wires in each of its states. */
const known = new WeakMap<WiringPlan, readonly Wire[]>();

/** Every conductor that somebody lays, from terminal to terminal. */
export function wiresOf(plan: WiringPlan): readonly Wire[] {
  const found = known.get(plan) ?? laidIn(plan);
  known.set(plan, found);
  return found;
}

function laidIn(plan: WiringPlan): Wire[] {
  const { wiring } = plan;
  const wires: Wire[] = [];
  const lay = (id: string, from: string, to: string, job: Wire["job"]) => wires.push({ id, from, to, job });
  const along = (id: string, chain: readonly string[], job: Wire["job"]) => {
    for (let i = 0; i < chain.length; i += 2) lay(`${id}-${i / 2 + 1}`, chain[i]!, chain[i + 1]!, job);
  };
  const fuse = (name: string) => (wiring.fuse > 0 ? [`${name} in`, `${name} out`] : []);
  const pole = (which: 1 | 2) => [`switch ${which} in`, `switch ${which} out`];
  along("live", ["plug 1", ...fuse("fuse"), ...(wiring.mainSwitch === "none" ? [] : pole(1)), "common 1"], "first");
  along("second", ["plug 2", ...(wiring.mainSwitch === "both" ? pole(2) : []), "common 2"], "second");
  lay("earth", "plug earth", "common earth", "earth");
  if (hasTwoCords(plan)) {
    along("cold-live", ["cold plug 1", ...fuse("cold fuse"), "cold relay in"], "first");
    lay("cold-cord-earth", "cold plug earth", "common earth", "earth");
  }
  lay("unit-1", "common 1", "unit 1", "first");
  lay("unit-2", "common 2", "unit 2", "second");
  for (const outlet of outletsIn(plan)) layOutlet(plan, outlet, lay);
  if (wiring.metalBox) lay("box-earth", "common earth", "box", "earth");
  if (wiring.supply > 0) {
    lay("supply-1", "common 1", "supply 1", "first");
    lay("supply-2", "common 2", "supply 2", "second");
    lay("twelve-1", "supply +", "twelve +", "low");
    lay("twelve-2", "supply −", "twelve −", "low");
  }
  lay("probe-1", "unit probe a", "probe a", "low");
  lay("probe-2", "unit probe b", "probe b", "low");
  return wires;
}

/** What belongs to one outlet: its relay with what drives it, cut-out, lamp, earth. */
function layOutlet(
  plan: WiringPlan,
  o: OutletName,
  lay: (id: string, from: string, to: string, job: Wire["job"]) => void,
): void {
  const { wiring } = plan;
  if (plugOf(plan, o) === "plug") lay(`${o}-feed`, "common 1", `${o} relay in`, "first");
  if (o === "heat" && hasCutOut(plan)) {
    lay("heat-switched", "heat relay out", "cut-out in", "switched");
    lay("heat-cut-out", "cut-out out", "heat 1", "switched");
  } else lay(`${o}-switched`, `${o} relay out`, `${o} 1`, "switched");
  const second = secondFor(plan, o);
  if (wiring.relay === "contactor") {
    lay(`${o}-second`, second, `${o} relay in 2`, "second");
    lay(`${o}-second-switched`, `${o} relay out 2`, `${o} 2`, "second");
    lay(`${o}-drive-feed`, "common 1", `unit ${o} in`, "first");
    lay(`${o}-drive`, `unit ${o} out`, `${o} coil 1`, "switched");
    lay(`${o}-drive-back`, `${o} coil 2`, "common 2", "second");
  } else {
    lay(`${o}-second`, second, `${o} 2`, "second");
    if (!relaysInUnit(plan)) {
      lay(`${o}-drive-1`, `unit ${o} +`, `${o} coil +`, "low");
      lay(`${o}-drive-2`, `unit ${o} −`, `${o} coil −`, "low");
    }
  }
  if (wiring.pilots) {
    lay(`${o}-pilot-1`, `${o} 1`, `${o} pilot 1`, "switched");
    lay(`${o}-pilot-2`, `${o} pilot 2`, `${o} 2`, "second");
  }
  lay(`${o}-earth`, "common earth", `${o} earth`, "earth");
}
