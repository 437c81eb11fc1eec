export { aroundOf, type Around } from "./around";
export { Basis } from "./basis";
export { addNodes, Flight, type Sums } from "./flight";
