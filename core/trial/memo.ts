/**
 * Keeps the last few results of a pure function by the JSON of its argument: dragging a setpoint asks for the same
 * network again and again.
 */
export function memo<A, R>(work: (argument: A) => R, most = 6): (argument: A) => R {
  const kept = new Map<string, R>();
  return (argument) => {
    const key = JSON.stringify(argument);
    const found = kept.get(key);
    if (found !== undefined) return found;
    const result = work(argument);
    if (kept.size >= most) kept.delete(kept.keys().next().value!);
    kept.set(key, result);
    return result;
  };
}
