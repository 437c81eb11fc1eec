import type { Compiled } from "./compiled";
import { mainsTable } from "./mains";
import type { Cord } from "./plan";
import type { Orientation, Position } from "./position";

/** A source on a pin, V as a phasor. */
export interface Source {
  at: number;
  cord: Cord;
  pole: 1 | 2 | "e";
  re: number;
  im: number;
}

const sourcesKnown = new WeakMap<Compiled, Map<string, Source[]>>();

/** The sources of a plan, in how its plugs stand in the wall. */
export function sourcesOf(base: Compiled, { pulled }: Position, way: Orientation, house: Cord | null): Source[] {
  const all = sourcesKnown.get(base) ?? new Map<string, Source[]>();
  sourcesKnown.set(base, all);
  const key = `${pulled} ${way.turned[0]} ${way.turned[1]} ${way.otherLine} ${way.half} ${house}`;
  const found = all.get(key) ?? feeding(base, pulled, way, house);
  all.set(key, found);
  return found;
}

function feeding({ net, index }: Compiled, pulled: Cord | null, way: Orientation, house: Cord | null): Source[] {
  const mains = mainsTable[net.plan.wiring.mains];
  const [first, second] = way.half
    ? ([
        [0.5, 0],
        [-0.5, 0],
      ] as const)
    : [mains.first, mains.second];
  return [...net.pins.values()].flatMap(({ id, role }): Source[] => {
    if (role.is !== "source" || role.cord === pulled) return [];
    const { cord, pole } = role;
    const around = way.turned[cord - 1] !== (house === cord);
    const [re, im] = pole === "e" ? [0, 0] : (pole === 1) !== around ? first : second;
    // Another line of the house: the other leg where it has two, the next of three where it has three.
    const [r, i] =
      cord === 1 || !way.otherLine
        ? [re, im]
        : mains.american
          ? [-re, -im]
          : [-0.5 * re - (Math.sqrt(3) / 2) * im, (Math.sqrt(3) / 2) * re - 0.5 * im];
    return [{ at: index.get(id)!, cord, pole, re: r * mains.volts, im: i * mains.volts }];
  });
}
