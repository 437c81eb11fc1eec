/**
 * Moves labels apart along a line so that none overlaps, as little as possible: neighbours that collide are joined and
 * share their mean, the pool-adjacent-violators way. Keeps the order of `wanted`, which must be ascending.
 * @param wanted where each label would like its middle
 * @param sizes length of each label along the line
 */
export function spread(wanted: readonly number[], sizes: readonly number[], from: number, to: number): number[] {
  interface Block {
    first: number;
    count: number;
    length: number;
    /** Sum of what its members would like the block's start to be. */
    wish: number;
    start: number;
  }
  const blocks: Block[] = [];
  wanted.forEach((middle, i) => {
    const size = sizes[i]!;
    let block: Block = { first: i, count: 1, length: size, wish: middle - size / 2, start: middle - size / 2 };
    for (;;) {
      const before = blocks.at(-1);
      if (!before || before.start + before.length <= block.start) break;
      blocks.pop();
      const wish = before.wish + block.wish - block.count * before.length;
      const count = before.count + block.count;
      block = { first: before.first, count, length: before.length + block.length, wish, start: wish / count };
    }
    blocks.push(block);
  });
  // Ends: push in from the start, then from the end.
  let edge = from;
  for (const block of blocks) {
    block.start = Math.max(block.start, edge);
    edge = block.start + block.length;
  }
  edge = to;
  for (const block of blocks.toReversed()) {
    block.start = Math.min(block.start, edge - block.length);
    edge = block.start;
  }
  const placed: number[] = [];
  for (const block of blocks) {
    let at = block.start;
    for (let i = block.first; i < block.first + block.count; i++) {
      placed.push(at + sizes[i]! / 2);
      at += sizes[i]!;
    }
  }
  return placed;
}
