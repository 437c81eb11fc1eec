/** Gas constant of water vapour, J/(kg·K), and how much lighter its molecule is than air's (ISO 13788). */
const GAS = 461.5;
const LIGHTER = 0.622;
const KELVIN = 273.15;
/** Air pressure at sea level, Pa. */
export const PRESSURE = 101_325;

/** Magnus over water and over ice, °C (WMO, CIMO guide, annex 4.B; values from memory): to 0.1 % of the tables. */
const WATER = [611.2, 17.62, 243.12] as const;
const ICE = [611.2, 22.46, 272.62] as const;
const law = (t: number) => (t < 0 ? ICE : WATER);

/** Pressure of vapour in balance with water, below 0 °C with ice, Pa. */
export function saturationPressure(t: number): number {
  const [p, a, b] = law(t);
  return p * Math.exp((a * t) / (b + t));
}

/** Density of that vapour, kg/m³ of air. */
export const saturated = (t: number): number => saturationPressure(t) / (GAS * (t + KELVIN));

/** Relative humidity over water of air that has so much vapour in it, 0..1; above 1 it is fog. */
export const relativeHumidity = (vapour: number, t: number): number =>
  (vapour * GAS * (t + KELVIN)) / (WATER[0] * Math.exp((WATER[1] * t) / (WATER[2] + t)));

/** Vapour in air of a relative humidity, kg/m³. */
export const vapourIn = (humidity: number, t: number): number =>
  (humidity * WATER[0] * Math.exp((WATER[1] * t) / (WATER[2] + t))) / (GAS * (t + KELVIN));

/** kg of water a kg of dry air. */
export const humidityRatio = (humidity: number, t: number, pressure = PRESSURE): number => {
  const vapour = humidity * WATER[0] * Math.exp((WATER[1] * t) / (WATER[2] + t));
  return (LIGHTER * vapour) / (pressure - vapour);
};

/** Where air of a humidity begins to give off water; below 0 °C frost. @returns °C; −∞ of air without any */
export function dewPoint(humidity: number, t: number): number {
  if (humidity <= 0) return -Infinity;
  const [p, a, b] = WATER;
  const inverse = (vapour: number, [p0, a0, b0]: readonly [number, number, number]) => {
    const x = Math.log(vapour / p0);
    return (b0 * x) / (a0 - x);
  };
  const vapour = humidity * p * Math.exp((a * t) / (b + t));
  return inverse(vapour, vapour < p ? ICE : WATER);
}
