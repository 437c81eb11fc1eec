import type { Change, Recipe, StageEnd } from "../model";
import { celsius, kelvins } from "../quantity";

const typed = <T>(value: T) => ({ value, origin: "typed" as const });
const HALF_BAND = 1;
const DAY = 86_400;

/**
 * Puts a recipe's gravities and the steps of its fermentation into a chamber: a band of a degree each way around each,
 * its time as its end; a step that goes from one temperature to another gets there a degree a day. The last one has no
 * end where it says none.
 */
export const takeRecipe =
  ({ originalGravity, finalGravity, steps }: Recipe): Change =>
  (r) => {
    const [first, ...others] = r.vessels;
    const product = {
      ...first!.product,
      ...(originalGravity === null ? {} : { originalGravity: typed(originalGravity) }),
      ...(finalGravity === null ? {} : { finalGravity: typed(finalGravity) }),
    };
    const known = steps.filter((s) => s.from !== null || s.to !== null);
    const stages = known.map(({ name, from, to, seconds }, i) => {
      const aim = (to ?? from)!;
      const ends: StageEnd[] = seconds !== null && seconds > 0 ? [{ kind: "after", seconds }] : [];
      const way = from !== null && to !== null && from !== to;
      return {
        id: `s${i + 1}`,
        stage: {
          name: typed(name),
          low: typed(celsius(aim - HALF_BAND)),
          high: typed(celsius(aim + HALF_BAND)),
          ends: typed(ends),
          ...(way && i > 0 ? { rampBy: typed(kelvins(1)), rampEvery: typed(DAY) } : {}),
        },
        settings: {},
      };
    });
    return { ...r, vessels: [{ ...first!, product }, ...others], ...(stages.length ? { stages } : {}) };
  };
