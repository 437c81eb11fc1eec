export interface Complex {
  re: number;
  im: number;
}

/** A conductance between two nodes, S. */
interface Link {
  a: number;
  b: number;
  g: Complex;
}

/** What flows into a node, A. */
interface Driven extends Complex {
  at: number;
}

/** A node that was taken out: one over what hung on it, and the share of that to each neighbour. */
interface Step extends Complex {
  node: number;
  to: readonly number[];
  shareRe: readonly number[];
  shareIm: readonly number[];
}

/**
 * Solves G·v = i of a network without turning G over: node by node, that with the fewest neighbours first. A wiring is
 * nearly a tree, so that hardly anything fills in. No pivots are sought: each conductance has no negative part, real or
 * imaginary, and what is eliminated keeps that (star to mesh).
 * @returns volts of all nodes, re and im in turn, for currents into some of them
 */
export function eliminated(
  n: number,
  links: readonly Link[],
  grounds: Float64Array,
): (driven: readonly Driven[]) => Float64Array {
  // Neighbours of each node with the conductance to them: few, so that looking through them is the quickest.
  const near: number[][] = Array.from({ length: n }, () => []);
  const res: number[][] = Array.from({ length: n }, () => []);
  const ims: number[][] = Array.from({ length: n }, () => []);
  const add = (a: number, b: number, re: number, im: number) => {
    const k = near[a]!.indexOf(b);
    if (k >= 0) {
      res[a]![k]! += re;
      ims[a]![k]! += im;
    } else {
      near[a]!.push(b);
      res[a]!.push(re);
      ims[a]!.push(im);
    }
  };
  const drop = (a: number, b: number) => {
    const k = near[a]!.indexOf(b);
    for (const list of [near[a]!, res[a]!, ims[a]!]) {
      list[k] = list[list.length - 1]!;
      list.pop();
    }
  };
  for (const { a, b, g } of links) {
    if (a === b) continue;
    add(a, b, g.re, g.im);
    add(b, a, g.re, g.im);
  }
  const [groundRe, groundIm] = [Float64Array.from(grounds), new Float64Array(n)];
  const left = Array.from({ length: n }, (_, i) => i);
  const steps: Step[] = [];
  while (left.length > 0) {
    let place = 0;
    for (let i = 1; i < left.length && near[left[place]!]!.length > 1; i++)
      if (near[left[i]!]!.length < near[left[place]!]!.length) place = i;
    const node = left[place]!;
    left[place] = left[left.length - 1]!;
    left.pop();
    const [to, re, im] = [near[node]!, res[node]!, ims[node]!];
    let [ownRe, ownIm] = [groundRe[node]!, groundIm[node]!];
    for (let i = 0; i < to.length; i++) {
      ownRe += re[i]!;
      ownIm += im[i]!;
    }
    const norm = ownRe * ownRe + ownIm * ownIm;
    const [shareRe, shareIm] = [new Array<number>(to.length), new Array<number>(to.length)];
    // Star to mesh: what flowed through the node now flows between its neighbours, and from each to earth.
    for (let i = 0; i < to.length; i++) {
      const at = to[i]!;
      const sr = (re[i]! * ownRe + im[i]! * ownIm) / norm;
      const si = (im[i]! * ownRe - re[i]! * ownIm) / norm;
      shareRe[i] = sr;
      shareIm[i] = si;
      drop(at, node);
      groundRe[at]! += sr * groundRe[node]! - si * groundIm[node]!;
      groundIm[at]! += sr * groundIm[node]! + si * groundRe[node]!;
      for (let k = i + 1; k < to.length; k++) {
        const [gr, gi] = [sr * re[k]! - si * im[k]!, sr * im[k]! + si * re[k]!];
        add(at, to[k]!, gr, gi);
        add(to[k]!, at, gr, gi);
      }
    }
    steps.push({ node, re: ownRe / norm, im: -ownIm / norm, to, shareRe, shareIm });
  }
  return (driven) => {
    const v = new Float64Array(2 * n);
    for (const { at, re, im } of driven) {
      v[2 * at]! += re;
      v[2 * at + 1]! += im;
    }
    for (const { node, to, shareRe, shareIm } of steps) {
      const [re, im] = [v[2 * node]!, v[2 * node + 1]!];
      if (re === 0 && im === 0) continue;
      for (let i = 0; i < to.length; i++) {
        v[2 * to[i]!]! += shareRe[i]! * re - shareIm[i]! * im;
        v[2 * to[i]! + 1]! += shareRe[i]! * im + shareIm[i]! * re;
      }
    }
    for (let s = steps.length - 1; s >= 0; s--) {
      const { node, re: gr, im: gi, to, shareRe, shareIm } = steps[s]!;
      const [ir, ii] = [v[2 * node]!, v[2 * node + 1]!];
      let [re, im] = [ir * gr - ii * gi, ir * gi + ii * gr];
      for (let i = 0; i < to.length; i++) {
        const [ar, ai] = [v[2 * to[i]!]!, v[2 * to[i]! + 1]!];
        re += shareRe[i]! * ar - shareIm[i]! * ai;
        im += shareRe[i]! * ai + shareIm[i]! * ar;
      }
      v[2 * node] = re;
      v[2 * node + 1] = im;
    }
    return v;
  };
}
