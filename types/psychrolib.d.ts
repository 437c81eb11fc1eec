/** What the tests use of psychrolib: moist air by the ASHRAE Handbook. */
declare module "psychrolib" {
  const psychrolib: {
    SI: number;
    SetUnitSystem(system: number): void;
    /** °C of a dry bulb, kg of water a kg of air, Pa. */
    GetTWetBulbFromHumRatio(dryBulb: number, humidityRatio: number, pressure: number): number;
    /** Share, Pa. */
    GetHumRatioFromRelHum(dryBulb: number, relative: number, pressure: number): number;
    GetMoistAirVolume(dryBulb: number, humidityRatio: number, pressure: number): number;
    GetSatVapPres(dryBulb: number): number;
    GetTDewPointFromRelHum(dryBulb: number, relative: number): number;
  };
  export default psychrolib;
}
