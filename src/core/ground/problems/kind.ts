/** What to say about each thing that can go wrong: a heading for the reference page, and what to do next. */
export interface ProblemKind {
  title: string;
  fix: string;
}
