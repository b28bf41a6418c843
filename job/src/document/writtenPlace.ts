/** A place of a document as it is written down; what is left out is not so. */
export interface WrittenPlace {
  /** What stands inside: names that are alike in all else stand together. */
  fields?: readonly { of: readonly string[]; place: WrittenPlace }[];
  /** What stands inside under any key. */
  each?: WrittenPlace;
  isWhole?: true;
  optional?: true;
  isPerson?: true;
}
