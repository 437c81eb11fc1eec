import type { Network } from "./network";

/** Solves A·x = b by elimination with row pivoting; rows that are all zero leave their unknown at zero. */
function solve(a: number[][], b: number[]): number[] {
  const n = b.length;
  const rows = a.map((row, i) => [...row, b[i]!]);
  for (let k = 0; k < n; k++) {
    let pivot = k;
    for (let i = k + 1; i < n; i++) if (Math.abs(rows[i]![k]!) > Math.abs(rows[pivot]![k]!)) pivot = i;
    [rows[k], rows[pivot]] = [rows[pivot]!, rows[k]!];
    const lead = rows[k]![k]!;
    if (Math.abs(lead) < 1e-14) continue;
    for (let i = k + 1; i < n; i++) {
      const factor = rows[i]![k]! / lead;
      if (factor !== 0) for (let j = k; j <= n; j++) rows[i]![j]! -= factor * rows[k]![j]!;
    }
  }
  const x = new Array<number>(n).fill(0);
  for (let i = n - 1; i >= 0; i--) {
    const lead = rows[i]![i]!;
    if (Math.abs(lead) < 1e-14) continue;
    let sum = rows[i]![n]!;
    for (let j = i + 1; j < n; j++) sum -= rows[i]![j]! * x[j]!;
    x[i] = sum / lead;
  }
  return x;
}

/**
 * Temperatures at which a network comes to rest, °C, with its cooler off.
 * @param room °C
 * @param sources W into each node
 */
export function steadyState(network: Network, room: number, sources: readonly number[]): number[] {
  const n = network.nodes.length;
  const a = Array.from({ length: n }, () => new Array<number>(n).fill(0));
  for (const { a: i, b: j, conductance } of network.links) {
    a[i]![i]! += conductance;
    a[j]![j]! += conductance;
    a[i]![j]! -= conductance;
    a[j]![i]! -= conductance;
  }
  const b = network.nodes.map((node, i) => {
    a[i]![i]! += node.toRoom;
    return node.toRoom * room + (sources[i] ?? 0);
  });
  return solve(a, b);
}
