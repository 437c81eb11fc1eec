import type { Change, ChamberRecord } from "../model";
import { celsius, fromScale, inScale, type Scale } from "../quantity";
import { describe } from "./describe";
import { usualStages } from "./usualStages";

type Stored = ChamberRecord["stages"][number];
type Degrees = NonNullable<Stored["stage"]["low"]>;

/** A typed temperature in whole degrees of a scale: what a person who thinks in it begins with. */
const whole = <T extends Degrees | undefined>(typed: T, scale: Scale): T =>
  typed && scale === "F"
    ? { ...typed, value: fromScale(Math.round(inScale(celsius(typed.value), scale)), scale) }
    : typed;

/** What a new chamber begins with: the usual stages of its product, where it has some. */
export const beginStages =
  (scale: Scale): Change =>
  (record) => {
    const staged = usualStages(describe(record))?.(record);
    if (!staged) return record;
    return {
      ...staged,
      stages: staged.stages.map(({ stage: { low, high, ...stage }, ...rest }) => ({
        ...rest,
        stage: { ...stage, low: whole(low, scale), high: whole(high, scale) },
      })),
    };
  };
