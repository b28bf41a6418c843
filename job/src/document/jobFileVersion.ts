/** Version of the file that is written. A change that older readers would not understand raises it and adds an upgrade in `writtenFile`. */
export const jobFileVersion = 4;
