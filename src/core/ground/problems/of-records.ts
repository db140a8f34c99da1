import type { ProblemKind } from "./kind.ts";

/** What can be wrong with what a store is told of an app. */
export const ofRecords = {
  "record-missing": {
    title: "A field of a store's record that nobody gives",
    fix: "Give it under `store` in the brief, a group or the defaults, or ask for it: oxalis ask.",
  },
  "record-fallback": {
    title: "A text that a language of the app does not have",
    fix: "Give it under `store: { texts: … }`, or beside the brief, in store/<language>.yaml.",
  },
  "record-long": {
    title: "A text that is longer than the store takes",
    fix: "Shorten it; what is said first is what is seen.",
  },
  "audience-children": {
    title: "An app that is said to be for children too",
    fix: "Give the ages that it is made for, as `audience: [13-15, 16-17, 18+]`.",
  },
  "privacy-manifest": {
    title: "A privacy manifest of the app that says something else than the answers about data",
    fix: "Let the developers say which is true, and mend the other: `declares: { data: … }`, or the manifest.",
  },
  "consent-missing": {
    title: "An answer to a store that wants a paper, of which nobody has named any",
    fix: "Ask who gives it, and note it in the brief, under `store: { consents: … }`, `for` this question.",
  },
  "identity-derived": {
    title: "What a store assigns to an app, and nobody has given",
    fix: "Reserve the name in the store, and give what it shows under the app's identity, in the brief.",
  },
  "news-missing": {
    title: "An update that does not say what is new",
    fix: "Say it by `oxalis release --note`, or as `news` among the texts.",
  },
  "title-loud": {
    title: "A name or a short text that a store takes for shouting or a claim",
    fix: "Say what the app is: no emoji, no capitals but a brand's, no rank, no call to install.",
  },
  "language-none": {
    title: "A language that a store does not have",
    fix: "Its people see the main language there; or give the language as the store has it, with its country.",
  },
  "record-short": { title: "A text that is shorter than the store takes", fix: "Say more." },
  "record-invalid": {
    title: "An address, an e-mail or a price in no form that a store takes",
    fix: "Correct it; `oxalis explain` says who gave it.",
  },
  "draft-open": {
    title: "A draft that nobody has approved",
    fix: "Read it, and approve it: oxalis approve.",
  },
  "history-damaged": {
    title: "What was approved, or asked of a client, cannot be read",
    fix: "Take the last good file from version control. It is never made anew: it knows who approved what, and when.",
  },
  "words-invalid": {
    title: "Words of letters in one more language that cannot be used",
    fix: "Correct them: each of the English ones is there once, with the same names in braces.",
  },
  "words-missing": {
    title: "A language that letters have no words in",
    fix: "Have them written: oxalis ask --new-words makes the file, in English, to be translated.",
  },
  "draft-invalid": {
    title: "A pattern of a text that cannot be read or filled",
    fix: "Correct the pattern under `drafts` in oxalis.yaml.",
  },
  "placeholder-left": {
    title: "A text that still holds a placeholder",
    fix: "Replace it with what is meant.",
  },
  "platform-named": {
    title: "A text that names another platform",
    fix: "Say it without the platform's name, or give this store a text of its own.",
  },
  "price-in-text": {
    title: "A price where a store shows none",
    fix: "Leave prices to the store's own field: they differ from country to country.",
  },
  "keywords-wasted": {
    title: "Keywords that take room and bring nothing",
    fix: "Leave them out: what is in the name is found anyway, and each keyword counts once.",
  },
  "category-none": {
    title: "A category that a store does not have",
    fix: "Choose one that it has: oxalis schema brief lists them.",
  },
  "countries-unknown": { title: "A country that there is not", fix: "Give codes of two letters, or all." },
  "release-past": { title: "A day of release that is past", fix: "Give another day, or `at once`." },
  "text-alike": {
    title: "Descriptions of two clients that say nearly the same",
    fix: "Let each say what only this client has; stores refuse copies.",
  },
  "declaration-missing": {
    title: "A store's question that nobody has answered",
    fix:
      "Answer it once in template.yaml, under `declares`; a client that differs says so in its brief, under " +
      "`store: { declares: … }`.",
  },
  "declaration-invalid": {
    title: "An answer that is none",
    fix: "Give one of the words that are expected.",
  },
  "declaration-doubtful": {
    title: "An answer that what the app does makes unlikely",
    fix: "Ask whoever built the app. Where it is so all the same, leave the answer as it is: this stops nothing.",
  },
  "declaration-contradicted": {
    title: "An answer that a feature of the app contradicts",
    fix: "Correct the answer, or switch the feature off.",
  },
  "policy-missing": {
    title: "Personal data without a privacy policy",
    fix: "Give its address as `store: { privacy: … }`, or let Oxalis make one: `policy` in oxalis.yaml.",
  },
  "policy-unsafe": {
    title: "A picture or a link that a policy's page does not get",
    fix: "Take it out of the policy's text: a page fetches nothing, and links to https, http, mailto and tel alone.",
  },
  "capture-missing": {
    title: "Pictures of the running app that a store wants",
    fix: "Put them into the client's folder, as captures/<device>/<language>/.",
  },
  "capture-invalid": {
    title: "A picture of the running app that a store does not take",
    fix: "Capture it again on such a device; what is only scaled looks soft.",
  },
  "preview-invalid": {
    title: "A film of the running app that a store does not take",
    fix: "Record or cut it again, as the store wants it; or take it out of the client's folder.",
  },
  "account-missing": {
    title: "A code of the client's own store account that nobody gives",
    fix: "Ask for it, and for a share in the account: oxalis ask writes the steps.",
  },
  "account-shared": {
    title: "A code of a store account that another client has",
    fix: "Find out whose it is; what belongs to the agency stands in the defaults of oxalis.yaml.",
  },
  "name-reserved": {
    title: "A reserved name that lapses, or is not the app's",
    fix: "Use it or reserve it again: a name that lapses may be taken by anybody.",
  },
  "address-unreachable": {
    title: "An address at which nothing answers",
    fix: "Open it in a browser; stores do, and refuse what they cannot open.",
  },
  "waiver-ended": {
    title: "A waiver that has ended",
    fix: "Mend what it passed over, or agree on a new end under `waived` in the brief.",
  },
  "waiver-unknown": {
    title: "A waiver of a rule that there is not",
    fix: "Give the code in brackets behind the finding.",
  },
} satisfies Record<string, ProblemKind>;
