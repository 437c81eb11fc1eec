import { coolerDefaults, heaterDefaults, cabinetDefaults } from "../chamber";
import { celsius } from "../quantity";
import {
  copyCooler,
  copyHeater,
  freshCooler,
  freshHeater,
  fuelHours,
  fuelPerHour,
  stepCooler,
  stepFire,
  stepHeater,
} from ".";

const plain = heaterDefaults("tube", 60, cabinetDefaults("upright"));
const compressor = coolerDefaults("compressor", cabinetDefaults("upright"));

describe("a heater between its outlet and its box", () => {
  it("a plain one does what its outlet does", () => {
    const state = freshHeater(0);
    expect([true, false, true].map((fed) => stepHeater(state, plain, fed, 20, false, 5))).toEqual([true, false, true]);
  });
  it("its own thermostat opens at its limit and closes 5 K below", () => {
    const heater = { ...plain, ownThermostat: true, ownThermostatAt: celsius(40) };
    const state = freshHeater(0);
    const on = [30, 39.9, 40, 38, 35.1, 35, 39].map((body) => stepHeater(state, heater, true, body, false, 5));
    expect(on).toEqual([true, true, false, false, false, true, true]);
  });
  it("its timer counts one run, and begins anew when its outlet was dead", () => {
    const heater = { ...plain, timer: 12 };
    const state = freshHeater(0);
    const run = (fed: boolean) => stepHeater(state, heater, fed, 20, false, 5);
    expect([run(true), run(true), run(true), run(false), run(true)]).toEqual([true, true, false, false, true]);
  });
  it("an electronic switch locks at the first cut, not before", () => {
    const state = freshHeater(0);
    const run = (fed: boolean) => stepHeater(state, plain, fed, 20, true, 5);
    expect([run(false), run(true), run(true), run(false), run(true)]).toEqual([false, true, true, false, false]);
  });
});

describe("a fire", () => {
  const fire = { ...heaterDefaults("charcoal", 5000, cabinetDefaults("drum")), fuel: 1 };
  it("burns ṁ = P/(H·η), glows at rest, and ends with its usable share", () => {
    const state = freshHeater(fire.fuel);
    expect(stepFire(state, fire, true, 3600)).toBe(5000);
    expect(1 - state.fuel).toBeCloseTo((5000 * 3600) / (29e6 * 0.85), 9);
    expect(stepFire(state, fire, false, 1)).toBe(900);
    state.fuel = 0.09;
    expect(stepFire(state, fire, true, 1)).toBe(0);
  });
  it("hours and kilograms an hour are each other's inverse over the usable charge", () =>
    expect(fuelHours(fire, 2500) * fuelPerHour(fire, 2500)).toBeCloseTo(0.9, 12));
});

describe("a fridge between its outlet and its box", () => {
  it("its own thermostat opens below its limit and closes 3 K above", () => {
    const cooler = { ...compressor, ownThermostat: true, ownThermostatAt: celsius(3) };
    const state = freshCooler();
    expect([8, 3.1, 3, 5, 5.9, 6, 4].map((air) => stepCooler(state, cooler, true, air, 5))).toEqual([
      true,
      true,
      false,
      false,
      false,
      true,
      true,
    ]);
  });
  it("defrosts after so long with its plug live, for as long as it says", () => {
    const cooler = { ...compressor, defrostEvery: 20, defrostFor: 10 };
    const state = freshCooler();
    const on = Array.from({ length: 8 }, () => stepCooler(state, cooler, true, 10, 5));
    expect(on).toEqual([true, true, true, false, false, true, true, false]);
  });
  it("copies of states go their own way, with the same fields in the same order", () => {
    const heater = freshHeater(2);
    const copy = copyHeater(heater);
    copy.fuel = 1;
    copy.locked = true;
    expect(heater).toEqual(freshHeater(2));
    expect(Object.keys(copy)).toEqual(Object.keys(heater));
    const cooler = freshCooler();
    const other = copyCooler({ ...cooler, melted: 5, ice: "melting" });
    expect([other.melted, other.ice]).toEqual([5, "melting"]);
    expect(Object.keys(other)).toEqual(Object.keys(cooler));
  });
});
