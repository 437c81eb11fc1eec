import { outletsIn, wiresOf, type Fault } from "./circuit";
import { mainsTable, type WiringPlan } from "./plan";
import { sayTerminal } from "./terminals";

/** Every single thing that can be wrong with a wiring, as far as a meter at plug and outlets might tell. */
export function faultsOf(plan: WiringPlan): Fault[] {
  const outlets = outletsIn(plan);
  const { wiring } = plan;
  const { twoLines } = mainsTable[wiring.mains];
  return [
    ...(wiring.outlets === "twin" && outlets.length === 2 && wiring.linkBroken ? [{ kind: "linkKept" as const }] : []),
    // Two lines exchanged are the same two lines.
    ...(twoLines ? [] : [{ kind: "swapped" as const }]),
    ...(outlets.length === 2 ? [{ kind: "crossed" as const }] : []),
    ...(wiring.fuse > 0 ? [{ kind: "fuseInSecond" as const }] : []),
    ...outlets.flatMap((at): Fault[] => [
      { kind: "neutralToEarth", at },
      { kind: "welded", at },
    ]),
    ...wiresOf(plan).map(({ id }): Fault => ({ kind: "wireOff", wire: id })),
  ];
}

const outletName = { heat: "the heat outlet", cold: "the cold outlet" } as const;

/** A fault in words, with what mends it. */
export function sayFault(fault: Fault, plan: WiringPlan): { is: string; mend: string } {
  const second = mainsTable[plan.wiring.mains].twoLines ? "second line" : "neutral";
  switch (fault.kind) {
    case "none":
      return { is: "Nothing is wrong", mend: "" };
    case "linkKept":
      return {
        is: "The link between the two sockets is not broken on the live side",
        mend: "Break it off, and look that nothing bridges it.",
      };
    case "swapped":
      return { is: "Line and neutral are exchanged", mend: "Exchange them in the plug." };
    case "crossed":
      return {
        is: "The two outlets are exchanged: the relay for heat feeds the cold one",
        mend: "Exchange the two switched wires at the relays, and label them.",
      };
    case "fuseInSecond":
      return {
        is: `The fuse stands in the ${second}`,
        mend: "Into the line: a blown fuse in the other one leaves everything live.",
      };
    case "neutralToEarth":
      return {
        is: `The ${second} is joined to earth at ${outletName[fault.at]}`,
        mend: "Part them: they meet at the supply alone.",
      };
    case "welded":
      return { is: `The relay of ${outletName[fault.at]} does not open`, mend: "Put in another relay." };
    case "wireOff": {
      const wire = wiresOf(plan).find((w) => w.id === fault.wire);
      return {
        is: wire
          ? `The wire from ${sayTerminal(wire.from, plan)} to ${sayTerminal(wire.to, plan)} is off`
          : "A wire is off",
        mend: "Look at both its ends.",
      };
    }
  }
}
