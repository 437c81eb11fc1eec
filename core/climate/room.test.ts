import { celsius, kelvins } from "../quantity";
import { meanRoom, roomTemperature } from ".";

describe("the room by day", () => {
  const room = {
    low: celsius(8),
    high: celsius(20),
    warmestHour: 15,
    monthly: kelvins(0),
    winter: kelvins(0),
    summer: kelvins(0),
  };
  it("is warmest at its hour, coldest twelve hours later, and itself again after a day", () => {
    expect(roomTemperature(room, 0, 15)).toBeCloseTo(20, 12);
    expect(roomTemperature(room, 12 * 3600, 15)).toBeCloseTo(8, 12);
    expect(roomTemperature(room, 86_400 + 5000, 18)).toBeCloseTo(roomTemperature(room, 5000, 18), 10);
    expect(meanRoom(room)).toBe(14);
  });
});
