/** A place of a document as it is written down; what is left out is not so. */
export interface WrittenPlace {
  /** What stands inside by its name. */
  fields?: Record<string, WrittenPlace>;
  /** What stands inside under any key. */
  each?: WrittenPlace;
  isWhole?: true;
  optional?: true;
  isPerson?: true;
}
