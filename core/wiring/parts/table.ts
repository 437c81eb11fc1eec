import { appliance } from "./appliance";
import { block } from "./block";
import { contactor } from "./contactor";
import { cutOut } from "./cutOut";
import { fixedCable } from "./fixedCable";
import { fuse } from "./fuse";
import { lid } from "./lid";
import { lowBlock } from "./lowBlock";
import { mainSwitch } from "./mainSwitch";
import { metal } from "./metal";
import { outlet } from "./outlet";
import { pilot } from "./pilot";
import { plug } from "./plug";
import { relay } from "./relay";
import { residual } from "./residual";
import { solidState } from "./solidState";
import { supply } from "./supply";
import { twinOutlet } from "./twinOutlet";
import type { PartType } from "./type";
import { unit } from "./unit";

/** Every type of part there is, in the order in which their letters run. A new part is added here and nowhere else. */
export const partTable: readonly PartType[] = [
  plug,
  fixedCable,
  residual,
  fuse,
  mainSwitch,
  block,
  unit,
  relay,
  solidState,
  contactor,
  cutOut,
  outlet,
  twinOutlet,
  pilot,
  supply,
  lowBlock,
  metal,
  lid,
  appliance,
];
