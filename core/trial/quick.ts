import type { CabinetKind } from "../model";

const quickKinds: readonly CabinetKind[] = ["crock", "kettle", "drum", "brick"];
/** Boxes whose jobs take hours and not days. */
export const isQuick = (kind: CabinetKind): boolean => quickKinds.includes(kind);
