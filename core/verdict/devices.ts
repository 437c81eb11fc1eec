import { controllerOf, heatersOf, coolersOf } from "../chamber";
import { outletsOf } from "../controller";
import { ferments } from "../product";
import { printDuration } from "../quantity";
import { heaterOfPower, heatOf, offered, watts } from "./remedies";
import { highest } from "./traceEnds";
import type { Case, Finding, Rule } from "./types";
import { percent, sayDays, words } from "./words";

/** Times at which a device started and stopped, in turn, s. */
const timesOf = ({ trial }: Case, id: string): number[] => trial.devices.find((d) => d.id === id)?.times ?? [];
const metricsOf = ({ metrics }: Case, id: string) => metrics.devices.find((d) => d.id === id)!;
const often = (n: number) => (n === 1 ? "once" : `${n} times`);
/** The heaters and coolers that a controller really switches. */
const switched = ({ chamber }: Case, id: string, side: "heat" | "cold"): boolean => {
  const controller = controllerOf(chamber, id);
  return controller !== undefined && outletsOf(controller.unit)[side];
};

/** An electronic switch in a heater: after its first cut it never heats again. */
export const heaterStaysOff: Rule = (c) =>
  heatersOf(c.chamber)
    .filter((h) => h.staysOff)
    .map((h): Finding => {
      const { starts, duty } = metricsOf(c, h.id);
      return {
        id: "heater-stays-off",
        about: h.id,
        severity: "danger",
        station: "heat",
        title: "The heater stays off after its first cut",
        text: `Its electronic switch waits for a finger once its plug was dead. In ${words(c).within} it heats ${often(starts)}, ${percent(duty)} of the time, and then never again. Use one with a plain switch.`,
        moment: timesOf(c, h.id)[1] ?? null,
        remedies: [
          {
            id: "plain-switch",
            label: "Use a heater with a plain switch",
            edits: [{ section: "heater", field: "staysOff", id: h.id, value: false }],
          },
        ],
      };
    });

/** A heater's own thermostat or timer cuts it while the controller still calls for heat. */
export const heaterCutsOut: Rule = (c) =>
  heatersOf(c.chamber).flatMap((heater): Finding[] => {
    const { at } = words(c);
    const byThermostat = heater.ownThermostat && highest(c, "heater", heater.id) >= heater.ownThermostatAt - 0.5;
    const longest = metricsOf(c, heater.id).longestRun ?? 0;
    const byTimer = heater.timer > 0 && longest >= heater.timer - 15;
    if (!byThermostat && !byTimer) return [];
    return [
      {
        id: "heater-cuts-out",
        about: heater.id,
        severity: "warning",
        station: "heat",
        title: "The heater cuts itself out",
        text: byThermostat
          ? `Its own thermostat cuts its body at ${at(heater.ownThermostatAt)}, however long the controller calls. It gives less than its ${watts(heater.power)}, and nobody sees why.`
          : `Its timer stops it after ${printDuration(heater.timer)}; it heats again only once the controller has let go and called anew.`,
        moment: timesOf(c, heater.id)[1] ?? null,
        remedies: [
          {
            id: "no-cut-out",
            label: byThermostat ? "Use a heater without a thermostat of its own" : "Use a heater without a timer",
            edits: byThermostat
              ? [{ section: "heater", field: "ownThermostat", id: heater.id, value: false }]
              : [{ section: "heater", field: "timer", id: heater.id, value: 0 }],
          },
        ],
      },
    ];
  });

/** Far more heat than the box needs: every fault of control or probe gets expensive. */
export const heaterOversized: Rule = (c) => {
  const { chamber, band } = c;
  const { need, usual, power } = heatOf(c);
  const heaters = heatersOf(chamber);
  if (heaters.length === 0 || heaters.some((h) => h.kind === "charcoal")) return null;
  if (power < 120 || power < 6 * Math.max(need, 15)) return null;
  const hot = c.metrics.whole.air.high;
  if (usual >= power || hot > 45) return null; // hotter than that is airTooHot's
  // The warmest stage is what it is sized for.
  if (chamber.stages.some((s) => s.target > band.target)) return null;
  const { at } = words(c);
  return {
    id: "heater-oversized",
    severity: "note",
    station: "heat",
    title: "Far more heat than it needs",
    text: `Holding ${at(band.target)} takes ${watts(need)} at the coldest; the ${heaters.length > 1 ? "heaters give" : "heater gives"} ${watts(power)}. It overshoots more, and a relay that sticks does more harm.`,
    moment: null,
    remedies: offered(heaterOfPower(c, usual, "smaller-heater")),
  };
};

/** From these temperatures of its body on plastic softens, and things scorch, °C (estimates; docs/sources.md). */
const HOT_SURFACE = 90;
const SCORCHING = 110;

/** A heater's own surface gets hot enough to scorch what touches it. */
export const surfaceHot: Rule = (c) =>
  heatersOf(c.chamber).flatMap(({ id, kind }): Finding[] => {
    const touching = kind === "belt" || kind === "mat" || kind === "tube" || kind === "fanHeater";
    const surface = highest(c, "heater", id);
    if (!touching || surface < HOT_SURFACE) return [];
    const { at } = words(c);
    const { usual, power } = heatOf(c);
    return [
      {
        id: "surface-hot",
        about: id,
        severity: surface >= SCORCHING ? "warning" : "note",
        station: "heat",
        title: "The heater\u2019s surface gets too hot to touch things",
        text: `Its body reaches ${at(surface)} on average, and spots of it more. Plastic softens from about ${at(70)}: keep a hand\u2019s breadth away, or use less power on more surface.`,
        moment: null,
        remedies: usual < power ? offered(heaterOfPower(c, usual, "smaller-heater")) : [],
      },
    ];
  });

/** A fridge's own thermostat stops the compressor while the controller still calls for cold. */
export const fridgeThermostat: Rule = (c) =>
  coolersOf(c.chamber).flatMap((cooler): Finding[] => {
    if (!cooler.ownThermostat || !switched(c, cooler.id, "cold")) return [];
    const coldest = c.metrics.whole.air;
    if (metricsOf(c, cooler.id).starts > 0 && coldest.low > cooler.ownThermostatAt + 0.3) return [];
    if (c.metrics.whole.product.high < c.band.target) return [];
    const { at } = words(c);
    return [
      {
        id: "fridge-thermostat",
        about: cooler.id,
        severity: "warning",
        station: "heat",
        title: "The fridge\u2019s own thermostat is in the way",
        text: `It cuts the compressor once its air is at ${at(cooler.ownThermostatAt)}, while your controller still calls for cold. Turn its dial to the coldest, or bypass it: only one of the two may decide.`,
        moment: coldest.lowAt,
        remedies: [
          {
            id: "dial-coldest",
            label: "Turn the fridge\u2019s dial to its coldest",
            edits: [{ section: "cooler", field: "ownThermostat", id: cooler.id, value: false }],
          },
        ],
      },
    ];
  });

/** A fridge with electronic controls that does not start again after its power was cut. */
export const fridgeStaysOff: Rule = (c) =>
  coolersOf(c.chamber).flatMap((cooler): Finding[] => {
    if (!cooler.staysOff || !switched(c, cooler.id, "cold")) return [];
    return [
      {
        id: "fridge-stays-off",
        about: cooler.id,
        severity: "danger",
        station: "heat",
        title: "The fridge stays off after its first cut",
        text: `Its electronic controls wait for a finger once its plug was dead, and your controller cuts its plug each time. In ${words(c).within} it runs ${often(metricsOf(c, cooler.id).starts)}.`,
        moment: timesOf(c, cooler.id)[1] ?? null,
        remedies: [
          {
            id: "plain-fridge",
            label: "Use a fridge that starts by itself, or switch its compressor inside of its controls",
            edits: [{ section: "cooler", field: "staysOff", id: cooler.id, value: false }],
          },
        ],
      },
    ];
  });

/** Light falls on what ferments. */
export const lightOnProduct: Rule = (c) => {
  const { chamber } = c;
  const any = chamber.vessels.some((v) => ferments(v.product));
  const bulb = heatersOf(chamber).find((h) => h.kind === "bulb");
  const light = chamber.lights.find((l) => l.power > 0);
  if (!any || (!bulb && !light)) return null;
  return {
    id: "light",
    about: (bulb ?? light)!.id,
    severity: "warning",
    station: "heat",
    title: "Light falls on the beer",
    text: `${bulb ? `A bulb of ${watts(bulb.power)} shines on it whenever it heats` : `A light of ${watts(light!.power)} shines on it`}: hops and light make a skunky smell within hours. Use a heater without light, or a vessel that lets none through.`,
    moment: null,
    remedies: bulb
      ? [
          {
            id: "no-light",
            label: "Use a ceramic lamp",
            edits: [{ section: "heater", field: "kind", id: bulb.id, value: "lamp" }],
          },
        ]
      : [],
  };
};

/** A heater or a cooler that hangs on no outlet does nothing. */
export const notPluggedIn: Rule = (c) => {
  const { chamber } = c;
  const idle = [
    ...heatersOf(chamber).map((h) => ({ id: h.id, name: "heater" })),
    ...coolersOf(chamber).map((k) => ({ id: k.id, name: "cooler" })),
  ].filter(({ id }) => !controllerOf(chamber, id));
  return idle.map(({ id, name }): Finding => ({
    id: "not-plugged-in",
    about: id,
    severity: "warning",
    station: "heat",
    title: `A ${name} hangs on no outlet`,
    text: `No controller switches this ${name}: in all of ${sayDays(c.trial.days)} it does nothing. Choose the outlet that it hangs on, or take it out.`,
    moment: null,
    remedies: [],
  }));
};
