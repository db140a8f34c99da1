import { asGiven, type Identifiers, javaWords, segments, suffixDotted } from "../../template/identifiers.ts";

/** What an app is known by (Android documentation, and the store's). */
export const androidIdentifiers: Identifiers = {
  rules: [
    { says: "have two segments or more, divided by full stops", keeps: (id) => segments(id).length >= 2 },
    {
      says: "have only letters, digits and underscores, each segment starting with a letter",
      keeps: (id) => segments(id).every((segment) => /^[A-Za-z][A-Za-z0-9_]*$/.test(segment)),
    },
    {
      says: "have no word of Java as a segment",
      keeps: (id) => !segments(id).some((each) => javaWords.has(each)),
    },
    {
      says: "not start with com.example, android, com.android or com.google: the store refuses these",
      keeps: (id) => !/^(com\.example|android|com\.android|com\.google)(\.|$)/i.test(id),
    },
  ],
  fit: asGiven,
  comparable: (identifier) => identifier,
  suffixed: suffixDotted,
  breaks: [
    "The store takes it for another app: a new record, no ratings, no updates for those who have the old one.",
    "Push configuration, app links and signing in by other services are bound to the old application ID.",
  ],
};
