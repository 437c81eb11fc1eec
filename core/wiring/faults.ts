import { isDouble } from "./circuit";
import { mainsTable, type WiringPlan } from "./plan";
import type { Fault } from "./state";
import { sayTerminal } from "./terminals";
import { breaksBothLinks, cordsOf, hasCutOut, hasTwoCords, outletsIn, plugTurns, wiresOf } from "./wires";

/** What one sees without a meter: a unit without its probe, a fan that stands, a small lamp that stays dark. */
const BEYOND = /^(probe|twelve|supply)-|-pilot-/;

/** Every single thing that can be wrong with a wiring, as far as a meter at plug and outlets might tell. */
export function faultsOf(plan: WiringPlan): Fault[] {
  const outlets = outletsIn(plan);
  const { wiring } = plan;
  const { twoLines } = mainsTable[wiring.mains];
  const cords = cordsOf(plan);
  return [
    ...(wiring.outlets === "twin" && outlets.length === 2 && wiring.linkBroken ? [{ kind: "linkKept" as const }] : []),
    ...(breaksBothLinks(plan) && wiring.linkBroken ? [{ kind: "secondLinkKept" as const }] : []),
    // Two lines exchanged are the same two lines, and a plug that turns does it by itself.
    ...(twoLines || plugTurns(plan) ? [] : cords.map((cord): Fault => ({ kind: "swapped", cord }))),
    ...(outlets.length === 2 ? [{ kind: "crossed" as const }] : []),
    ...(wiring.fuse > 0 ? cords.map((cord): Fault => ({ kind: "fuseInSecond", cord })) : []),
    ...(hasTwoCords(plan) ? [{ kind: "secondsJoined" as const }] : []),
    ...outlets.flatMap((at): Fault[] => [
      { kind: "neutralToEarth", at },
      { kind: "welded", at, pole: 1 },
      ...(wiring.relay === "contactor" ? [{ kind: "welded" as const, at, pole: 2 as const }] : []),
      ...(isDouble(plan, at) ? [] : [{ kind: "loadToEarth" as const, at }]),
    ]),
    ...(hasCutOut(plan) ? [{ kind: "cutOutOpen" as const }] : []),
    ...(plan.heatOhms ? [{ kind: "loadOpen" as const }, { kind: "loadShort" as const }] : []),
    ...wiresOf(plan)
      .filter(({ id }) => !BEYOND.test(id))
      .map(({ id }): Fault => ({ kind: "wireOff", wire: id })),
  ];
}

const outletName = { heat: "the heat outlet", cold: "the cold outlet" } as const;
const deviceName = { heat: "heater", cold: "cooler" } as const;

/** A fault in words, with what mends it. */
export function sayFault(fault: Fault, plan: WiringPlan): { is: string; mend: string } {
  const second = mainsTable[plan.wiring.mains].twoLines ? "second line" : "neutral";
  const ofCord = "cord" in fault && fault.cord === 2 ? " of the second cord" : "";
  switch (fault.kind) {
    case "none":
      return { is: "Nothing is wrong", mend: "" };
    case "linkKept":
      return {
        is: "The link between the two sockets is not broken on the live side",
        mend: "Break it off, and look that nothing bridges it.",
      };
    case "secondLinkKept":
      return {
        is: `The link between the two sockets is not broken on the side of the ${second}`,
        mend: "Break it off too: here the two must not meet.",
      };
    case "swapped":
      return {
        is: `Line and neutral${ofCord} are exchanged`,
        mend: plan.wiring.laid === "cord" ? "Exchange them in the plug." : "Exchange them where they come in.",
      };
    case "crossed":
      return {
        is: "The two outlets are exchanged: the relay for heat feeds the cold one",
        mend: "Exchange the two switched wires at the relays, and label them.",
      };
    case "fuseInSecond":
      return {
        is: `The fuse${ofCord} stands in the ${second}`,
        mend: "Into the line: a blown fuse in the other one leaves everything live.",
      };
    case "secondsJoined":
      return {
        is: `The ${second}s of the two cords are joined`,
        mend: "Part them: each cord\u2019s current goes back by its own.",
      };
    case "neutralToEarth":
      return {
        is: `The ${second} is joined to earth at ${outletName[fault.at]}`,
        mend: "Part them: they meet at the supply alone.",
      };
    case "welded":
      return {
        is: `The ${fault.pole === 2 ? "second pole of the contactor" : plan.wiring.relay === "contactor" ? "contactor" : "relay"} of ${outletName[fault.at]} does not open`,
        mend: "Put in another one.",
      };
    case "cutOutOpen":
      return {
        is: "The one-shot cut-out is open",
        mend: "It has blown: find out what became too hot, then put in another.",
      };
    case "loadOpen":
      return { is: "The heater itself is open", mend: "Its element, its own cut-out or its cord: another heater." };
    case "loadShort":
      return { is: "The heater itself is shorted", mend: "Another heater; the fuse would blow." };
    case "loadToEarth":
      return {
        is: `The ${deviceName[fault.at]}\u2019s insulation is gone: its line touches its metal`,
        mend: "Away with it: another one.",
      };
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
