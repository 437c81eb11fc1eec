import { hasTwoCords, outletsIn, type OutletName, type WiringPlan } from "../plan";
import { part, pin, poles } from "./build";
import type { Part, PartType, Pin, Place } from "./type";

export const isTwin = ({ wiring, heat, cold }: WiringPlan): boolean =>
  wiring.outlets === "twin" && heat !== null && cold !== null;

/**
 * A twin socket joins both of its sides. The live one is broken; the other one too where the second conductors of both
 * must not meet: they come by cords of their own, or a contactor opens them.
 */
export const breaksBothLinks = (plan: WiringPlan): boolean =>
  isTwin(plan) && (hasTwoCords(plan) || plan.wiring.relay === "contactor");

/** The part and the key of an outlet's contact. */
const keyOf = (plan: WiringPlan, o: OutletName, pole: string): string => (isTwin(plan) ? `${o}-${pole}` : pole);
const partOf = (plan: WiringPlan, o: OutletName): string => (isTwin(plan) ? "twin" : `${o}-outlet`);
/** An outlet's contact by its full name. */
export const socketPin = (plan: WiringPlan, o: OutletName, pole: 1 | 2 | "e"): string =>
  `${partOf(plan, o)}.${keyOf(plan, o, String(pole))}`;

export function contactsOf(plan: WiringPlan, o: OutletName): Pick<Part, "pins" | "places" | "beside"> {
  const [one, two] = poles(plan);
  const of = (pole: 1 | 2 | "e", word: string): Pin =>
    pin(keyOf(plan, o, String(pole)), `${o} outlet, ${word}`, {
      role: { is: "socket", outlet: o, pole },
      takes: 2,
    });
  const end = (pole: "1" | "2" | "e"): Place => ({ line: `${o}.${pole}`, rank: 100, in: keyOf(plan, o, pole) });
  const key = (pole: string) => keyOf(plan, o, pole);
  return {
    pins: [of(1, one), of(2, two), of("e", "earth")],
    places: [end("1"), end("2"), end("e")],
    beside: [
      [key("1"), key("2")],
      [key("2"), key("e")],
      [key("1"), key("e")],
    ],
  };
}

export const ratingOf = ({ wiring }: WiringPlan, name: string): Part["rating"] => ({
  amps: wiring.outletAmps,
  motorAmps: wiring.outletMotorAmps,
  name,
});

export const outlet: PartType = {
  type: "single outlet",
  of: (plan) =>
    isTwin(plan)
      ? []
      : outletsIn(plan).map((o) =>
          part({
            id: `${o}-outlet`,
            type: "single outlet",
            label: o === "heat" ? "Heat outlet" : "Cold outlet",
            outlet: o,
            ...contactsOf(plan, o),
            size: { width: 0.05, height: 0.05, row: "front" },
            symbol: "outlet",
            bought: [{ key: "outlets", name: `Socket, ${plan.wiring.outletAmps} A`, quantity: 1 }],
            rating: ratingOf(plan, `${o} outlet`),
          }),
        ),
};
