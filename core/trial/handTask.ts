/** Something that a person has to do: turn trays, weigh, take a gravity. */
export interface HandTask {
  id: string;
  at: number;
  stage: string;
  stageName: string;
  /** What there is to do. */
  name: string;
  /** It was due at night or while away, and waits for the first moment at which somebody is there. */
  waited: boolean;
}
