import { describe as describeChamber } from ".";
import { celsius, kelvins } from "../quantity";
import { recordWith } from "../testing/build";
import { coolerElectricity, lawOf } from "./coolerLaw";

const [cooler] = describeChamber(recordWith()).coolers;
const compressor = { ...cooler!, kind: "compressor" as const, power: 115 };
const HOUR = 3600;

// (Q0/1.15)·[1 + 0.012·(T_evap + 23.3)], the design's reference (estimate), worked by hand.
describe("electricity of a cooler", () => {
  it("a compressor of 115 W at −23.3 °C takes 100 W, 12 % more for each 10 K of a warmer evaporator", () => {
    expect(coolerElectricity(compressor, HOUR, -23.3 * HOUR)).toBeCloseTo(100 * HOUR, 6);
    expect(coolerElectricity(compressor, HOUR, -13.3 * HOUR)).toBeCloseTo(112 * HOUR, 6);
    expect(coolerElectricity(compressor, 2 * HOUR, -23.3 * 2 * HOUR)).toBeCloseTo(200 * HOUR, 6);
    expect(coolerElectricity(compressor, 0, 0)).toBe(0);
  });
  it("a plate takes the same power however cold it is; ice takes none", () => {
    const plate = { ...compressor, kind: "peltier" as const, electric: 60 };
    expect(coolerElectricity(plate, HOUR, -5 * HOUR)).toBe(60 * HOUR);
    expect(coolerElectricity(plate, HOUR, 25 * HOUR)).toBe(60 * HOUR);
    expect(coolerElectricity({ ...compressor, kind: "ice" }, HOUR, 0)).toBe(0);
  });
});

describe("cold of a cooler", () => {
  const cold = (law: ReturnType<typeof lawOf>, body: number, room: number) =>
    law.power * (1 + law.perBody * (body - law.bodyAt) + law.perRoom * (room - law.roomAt));
  it("a compressor: rated at −23.3 °C in 25 °C, 40 % more 10 K warmer, 10 % less in a room 10 K hotter", () => {
    const law = lawOf(compressor);
    expect(cold(law, -23.3, 25)).toBeCloseTo(115, 9);
    expect(cold(law, -13.3, 25)).toBeCloseTo(115 * 1.4, 9);
    expect(cold(law, -23.3, 35)).toBeCloseTo(115 * 0.9, 9);
  });
  it("a plate: all of it without a lift, nothing at its largest lift", () => {
    const plate = {
      ...compressor,
      kind: "peltier" as const,
      power: 50,
      hotRise: kelvins(10),
      largestLift: kelvins(60),
    };
    const law = lawOf(plate);
    expect(cold(law, 35, 25)).toBeCloseTo(50, 9);
    expect(cold(law, -25, 25)).toBeCloseTo(0, 9);
    expect(cold(law, celsius(5), 25)).toBeCloseTo(25, 9);
  });
  it("no cooler takes nothing", () => expect(lawOf({ ...compressor, kind: "none" }).power).toBe(0));
});
