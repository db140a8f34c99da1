/** One of a store's questions about an app, whose answer is the template's more often than the client's. */
export interface StoreQuestion {
  /** What it is called in files. */
  name: string;
  /** The question, for a producer. */
  asks: string;
  /** Words that may answer it. */
  of: readonly string[];
  /** Several of its words together may answer it; the first of them then means none of the others. */
  isSeveral?: true;
  /** Asked only where the template's Android manifest asks for a permission of this name. */
  permission?: RegExp;
  /** The store's rule behind it, whose documentation states it, and the day for which that is known. */
  rule: string;
  source: string;
  asOf: string;
  /** Features that leave one right answer as soon as an app has one of them. */
  locks?: { features: readonly string[]; answer: string; because: string };
  /** Answers that a feature makes unlikely, though not impossible: they are asked about. */
  doubts?: { features: readonly string[]; answers: readonly string[]; because: string };
  /** Answers for which somebody has to have consented, or holds a paper. */
  wantsConsent?: readonly string[];
  /** It says that the app handles what belongs to a person: then a policy is compulsory. */
  isPersonal?: true;
}
