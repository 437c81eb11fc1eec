/** A table of normal deviates from a fixed seed: the same trial every time, and any moment of it again. */
const SIZE = 8192;

/** Mulberry32, a small generator of good spread; Box and Muller make it normal. */
const noiseTable: Float64Array = (() => {
  let seed = 0x6c0c4;
  const uniform = () => {
    seed = (seed + 0x6d2b79f5) | 0;
    let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
  return Float64Array.from(
    { length: SIZE },
    () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform()),
  );
})();

export const noiseAt = (step: number): number => noiseTable[step % SIZE]!;
