/** Dash of each line in turn: they are told apart without any colour. */
const dashes = [undefined, "7 4", "2 3", "10 3 2 3"];

/** The dash that stands for the line of this place. */
export const dashOf = (place: number): string | undefined => dashes[place % dashes.length];
