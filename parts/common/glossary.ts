/** Words of the trade that stand on the screens, each in a sentence or two. */
export const glossary = {
  band: ["Band", "The temperatures between which the product may be: the coldest and the warmest that you allow."],
  target: ["Target", "Where in its band the product would best be. Where nobody says, the middle."],
  setpoint: [
    "Setpoint",
    "The reading at which heat and cold go off. It is not what the product will have, but what the probe shall show.",
  ],
  differential: [
    "Differential",
    "How far the reading has to move from where a device goes off until it comes on again. Small ones hold closer and start more often.",
  ],
  compressorDelay: [
    "Compressor delay",
    "The least time between two starts of a compressor. Started against full pressure it wears, or does not start at all.",
  ],
  alarm: [
    "Alarm",
    "Sounds where the reading leaves a range that you set: as temperatures, or as a distance from the setpoint.",
  ],
  offset: ["Probe offset", "What the unit adds to what its probe says, so that the display is true: true minus shown."],
  probeError: [
    "Shows too high by",
    "How much the display stands above a thermometer that you trust, in ice water at best.",
  ],
  resolution: ["Resolution", "The smallest step that the display shows and that can be keyed in."],
  runOn: [
    "Run-on",
    "How far the reading still moves after a device has gone off, because its body is still hot or cold.",
  ],
  chasing: [
    "Chasing",
    "The heater's run-on calls for cold, the cold's run-on calls for heat, and so on: both work against each other for nothing.",
  ],
  shortCycling: [
    "Short cycling",
    "A compressor that starts again before it has rested. Rest and differential cure it.",
  ],
  duty: ["On for … % of the time", "The share of the time that a device runs. Near 100 % there is nothing in reserve."],
  grace: ["Hours of grace", "How long after something has failed the product is still in its band."],
  ownHeat: [
    "Own heat",
    "What the product gives off itself while it ferments or grows, W. Some moulds need cooling for it in a cold room.",
  ],
  thermowell: ["Thermowell", "A closed tube into the product; the probe sits in it and never gets wet."],
  relay: [
    "Relay, solid state",
    "A mechanical relay clicks and wears with each start; an electronic one does neither, but gets warm and can fail shut.",
  ],
  stage: [
    "Stage",
    "A part of a program with a band of its own; it ends after a time, at a reading, or when you say so.",
  ],
  happening: ["Happening", "Something that is placed into a trial: a power cut, an open door, a probe that fell out."],
  trial: [
    "Trial",
    "The chamber worked through step by step over days, with its room, its devices, its controller and what is in it.",
  ],
  evaporation: [
    "Evaporation",
    "Water that leaves an open surface takes heat along, W at the temperature that is named.",
  ],
  conductivity: ["Conductivity", "How well a material passes heat on, W/mK: foam 0.03, wood 0.12, brick 0.7."],
  evaporator: [
    "Evaporator",
    "The cold plate or coil inside a fridge. What it has taken in is still cold after the fridge goes off.",
  ],
} as const satisfies Record<string, readonly [term: string, meaning: string]>;

export type Term = keyof typeof glossary;

/** The term behind a field of a chamber, where it is one of the trade. */
export const termOf: Partial<Record<string, Term>> = {
  "stage.low": "band",
  "stage.high": "band",
  "band.low": "band",
  "band.high": "band",
  "stage.target": "target",
  "band.target": "target",
  "settings.setpoint": "setpoint",
  "settings.heatingDifferential": "differential",
  "settings.coolingDifferential": "differential",
  "settings.compressorDelay": "compressorDelay",
  "settings.lowAlarm": "alarm",
  "settings.highAlarm": "alarm",
  "settings.lowDeviation": "alarm",
  "settings.highDeviation": "alarm",
  "settings.offset": "offset",
  "probe.error": "probeError",
  "unit.resolution": "resolution",
  "vessel.evaporation": "evaporation",
  "cabinet.conductivity": "conductivity",
};
