export { aroundOf, type Around } from "./around";
export { Basis, differencesOf } from "./basis";
export { addNodes, Flight, type Sums } from "./flight";
