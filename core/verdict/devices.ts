import { hasCooler, hasHeater, heaterFor, heatNeeded } from "../chamber";
import { outletsOf } from "../controller";
import { measures, printDuration, printMeasure } from "../quantity";
import { highest } from "./traceEnds";
import type { Rule } from "./types";
import { words } from "./words";

const watts = (w: number) => printMeasure(Math.round(w), measures.power, "metric");

/** An electronic switch in the heater: after its first cut it never heats again. */
export const heaterStaysOff: Rule = (c) => {
  const { chamber } = c.plan;
  if (!hasHeater(chamber) || !chamber.heater.staysOff) return null;
  const runs = c.trial.metrics.heatStarts;
  return {
    id: "heater-stays-off",
    severity: "danger",
    station: "heat",
    title: "The heater stays off after its first cut",
    text: `Its electronic switch waits for a finger once its plug was dead. In ${c.trial.days} days it heats ${runs === 1 ? "once" : `${runs} times`}, ${Math.round(c.trial.metrics.heatDuty * 100)}\u00a0% of the time, and then never again. Use one with a plain switch.`,
    moment: c.trial.heat[1] ?? null,
    remedies: [
      {
        id: "plain-switch",
        label: "Use a heater with a plain switch",
        edits: [{ section: "heater", field: "staysOff", value: false }],
      },
    ],
  };
};

/** The heater's own thermostat or timer cuts it while the controller still calls for heat. */
export const heaterCutsOut: Rule = (c) => {
  const { chamber } = c.plan;
  const { heater } = chamber;
  if (!hasHeater(chamber)) return null;
  const { at } = words(c);
  const byThermostat = heater.ownThermostat && highest(c, "heater") >= heater.ownThermostatAt - 0.5;
  const longest = c.trial.metrics.usualHeat?.run ?? 0;
  const first = c.trial.heat.length > 1 ? c.trial.heat[1]! - c.trial.heat[0]! : 0;
  const byTimer = heater.timer > 0 && Math.max(longest, first) >= heater.timer - 15;
  if (!byThermostat && !byTimer) return null;
  return {
    id: "heater-cuts-out",
    severity: "warning",
    station: "heat",
    title: "The heater cuts itself out",
    text: byThermostat
      ? `Its own thermostat cuts its body at ${at(heater.ownThermostatAt)}, however long the controller calls. It gives less than its ${watts(heater.power)}, and nobody sees why.`
      : `Its timer stops it after ${printDuration(heater.timer)}; it heats again only once the controller has let go and called anew.`,
    moment: c.trial.heat[1] ?? null,
    remedies: [
      {
        id: "no-cut-out",
        label: byThermostat ? "Use a heater without a thermostat of its own" : "Use a heater without a timer",
        edits: byThermostat
          ? [{ section: "heater", field: "ownThermostat", value: false }]
          : [{ section: "heater", field: "timer", value: 0 }],
      },
    ],
  };
};

/** Far more heat than the box needs: every fault of control or probe gets expensive. */
export const heaterOversized: Rule = (c) => {
  const { chamber } = c.plan;
  const stage = chamber.stages[0]!;
  const need = heatNeeded(chamber, stage.target);
  const better = heaterFor(need, chamber.cabinet.kind);
  const { power, kind } = chamber.heater;
  if (!hasHeater(chamber) || kind === "charcoal" || power < 120 || power < 6 * Math.max(need, 15)) return null;
  const hot = c.trial.metrics.whole.air.high;
  if (better >= power || hot > 45) return null; // hotter than that is airTooHot's
  const { at } = words(c);
  return {
    id: "heater-oversized",
    severity: "note",
    station: "heat",
    title: "Far more heat than it needs",
    text: `Holding ${at(stage.target)} takes ${watts(need)} at the coldest; the heater gives ${watts(power)}. It overshoots more, and a relay that sticks does more harm.`,
    moment: null,
    remedies: [
      {
        id: "smaller-heater",
        label: `Use a ${watts(better)} heater`,
        edits: [{ section: "heater", field: "power", value: better }],
      },
    ],
  };
};

/** From these temperatures of its body on plastic softens, and things scorch, °C (estimates; docs/sources.md). */
const HOT_SURFACE = 90;
const SCORCHING = 110;

/** The heater's own surface gets hot enough to scorch what touches it. */
export const surfaceHot: Rule = (c) => {
  const { chamber } = c.plan;
  const { kind } = chamber.heater;
  const touching = kind === "belt" || kind === "mat" || kind === "tube" || kind === "fanHeater";
  const surface = highest(c, "heater");
  if (!hasHeater(chamber) || !touching || surface < HOT_SURFACE) return null;
  const { at } = words(c);
  const need = heaterFor(heatNeeded(chamber, chamber.stages[0]!.target), chamber.cabinet.kind);
  return {
    id: "surface-hot",
    severity: surface >= SCORCHING ? "warning" : "note",
    station: "heat",
    title: "The heater\u2019s surface gets too hot to touch things",
    text: `Its body reaches ${at(surface)} on average, and spots of it more. Plastic softens from about ${at(70)}: keep a hand\u2019s breadth away, or use less power on more surface.`,
    moment: null,
    remedies:
      need < chamber.heater.power
        ? [
            {
              id: "smaller-heater",
              label: `Use a ${watts(need)} heater`,
              edits: [{ section: "heater", field: "power", value: need }],
            },
          ]
        : [],
  };
};

/** The fridge's own thermostat stops the compressor while the controller still calls for cold. */
export const fridgeThermostat: Rule = (c) => {
  const { chamber } = c.plan;
  const { cooler } = chamber;
  if (!hasCooler(chamber) || !cooler.ownThermostat || !outletsOf(chamber.unit).cold) return null;
  const coldest = c.trial.metrics.whole.air;
  if (c.trial.metrics.compressorStarts > 0 && coldest.low > cooler.ownThermostatAt + 0.3) return null;
  if (c.trial.metrics.whole.product.high < chamber.stages[0]!.target) return null;
  const { at } = words(c);
  return {
    id: "fridge-thermostat",
    severity: "warning",
    station: "heat",
    title: "The fridge\u2019s own thermostat is in the way",
    text: `It cuts the compressor once its air is at ${at(cooler.ownThermostatAt)}, while your controller still calls for cold. Turn its dial to the coldest, or bypass it: only one of the two may decide.`,
    moment: coldest.lowAt,
    remedies: [
      {
        id: "dial-coldest",
        label: "Turn the fridge\u2019s dial to its coldest",
        edits: [{ section: "cooler", field: "ownThermostat", value: false }],
      },
    ],
  };
};

/** A fridge with electronic controls that does not start again after its power was cut. */
export const fridgeStaysOff: Rule = (c) => {
  const { chamber } = c.plan;
  if (!hasCooler(chamber) || !chamber.cooler.staysOff || !outletsOf(chamber.unit).cold) return null;
  const starts = c.trial.metrics.compressorStarts;
  return {
    id: "fridge-stays-off",
    severity: "danger",
    station: "heat",
    title: "The fridge stays off after its first cut",
    text: `Its electronic controls wait for a finger once its plug was dead, and your controller cuts its plug each time. In ${c.trial.days} days it runs ${starts === 1 ? "once" : `${starts} times`}.`,
    moment: c.trial.cold[1] ?? null,
    remedies: [
      {
        id: "plain-fridge",
        label: "Use a fridge that starts by itself, or switch its compressor inside of its controls",
        edits: [{ section: "cooler", field: "staysOff", value: false }],
      },
    ],
  };
};

/** Light falls on what ferments. */
export const lightOnProduct: Rule = (c) => {
  const { chamber } = c.plan;
  const { kind } = chamber.vessels[0]!.product;
  if (!hasHeater(chamber) || chamber.heater.kind !== "bulb" || kind === "hold") return null;
  return {
    id: "light",
    severity: "warning",
    station: "heat",
    title: "Light falls on the beer",
    text: `A bulb of ${watts(chamber.heater.power)} shines on it whenever it heats: hops and light make a skunky smell within hours. Use a heater without light, or a vessel that lets none through.`,
    moment: null,
    remedies: [
      {
        id: "no-light",
        label: "Use a ceramic lamp",
        edits: [{ section: "heater", field: "kind", value: "lamp" }],
      },
    ],
  };
};
