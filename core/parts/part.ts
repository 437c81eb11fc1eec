/** Something that has to be there, by a key that lasts: so that a price typed for it is found again. */
export interface NeededPart {
  key: string;
  name: string;
  quantity: number;
  /** What it is counted in: pieces are said by nothing. */
  unit: "" | "m" | "m²" | "kg" | "sheets";
  /** It is used up with each batch. */
  eachBatch: boolean;
}
