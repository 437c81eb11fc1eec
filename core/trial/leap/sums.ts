import { ROOM } from "../discretise";
import type { Basis } from "./basis";

/** Sums over steps of one basis: of what dies away in each mode, and of all that its answers hang on. */
export interface Sums {
  basis: Basis;
  z: Float64Array;
  /** Of the inputs that were held, by whoever holds them. */
  u: Float64Array;
  steps: number;
  line: number;
  slope: number;
  cos: number;
  sin: number;
}

/** Sum of each node over the steps in some sums, added up into a list. */
export function addNodes({ basis, z, u, line, slope, cos, sin }: Sums, into: Float64Array): void {
  const { n, m, back, nodeRest, nodeLag, nodeCos, nodeSin } = basis;
  for (let r = 0; r < n; r++) {
    let sum = nodeRest[r * m + ROOM]! * line - nodeLag[r]! * slope + nodeCos[r]! * cos + nodeSin[r]! * sin;
    for (let i = 0; i < n; i++) sum += back[r * n + i]! * z[i]!;
    for (let j = 0; j < m; j++) if (j !== ROOM) sum += nodeRest[r * m + j]! * u[j]!;
    into[r]! += sum;
  }
}
