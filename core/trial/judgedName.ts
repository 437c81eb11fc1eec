import { AIR } from "../chamber";

/** What is judged, in words: the air, the product, or which vessel. */
export const judgedName = (id: string, vessels: readonly { id: string }[]): string =>
  id === AIR ? "air" : vessels.length > 1 ? `vessel ${vessels.findIndex((v) => v.id === id) + 1}` : "product";
