export { aroundOf, type Around } from "./around";
export { Basis, differencesOf, LONGEST } from "./basis";
export { Flight } from "./flight";
export { addNodes, type Sums } from "./sums";
