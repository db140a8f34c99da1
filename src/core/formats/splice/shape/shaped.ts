/** A file as its own format reads it: what has to stay as it is, and the texts in it, in the order of the file. */
export interface Shape {
  shape: string;
  values: readonly string[];
}
