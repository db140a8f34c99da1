import type { ProblemKind } from "./kind.ts";

/** What can be wrong with keys, and with where they lie. */
export const ofKeys = {
  "vault-missing": {
    title: "It is not said where keys lie",
    fix: "Name a folder outside version control: `vault` in oxalis.yaml, or OXALIS_VAULT.",
  },
  "vault-committed": {
    title: "A vault that version control would take in",
    fix: "Put it outside of every checkout, or let .gitignore name it.",
  },
  "vault-damaged": {
    title: "A folder that is no whole vault",
    fix: "Restore it from what `oxalis keys export` wrote, or name another folder.",
  },
  "vault-other": {
    title: "A key that lies in another vault",
    fix: "Name the vault that has it, or restore that one: `oxalis keys restore`.",
  },
  "passphrase-missing": {
    title: "No pass phrase is given",
    fix:
      "Type it where it is asked for, or give it by OXALIS_PASSPHRASE or `--passphrase-fd`; that of a key store by " +
      "OXALIS_STORE_PASSWORD, that of what is handed over by OXALIS_HAND_OVER_PASSPHRASE.",
  },
  "passphrase-weak": {
    title: "A pass phrase that could be guessed",
    fix: "Take four words or more that nobody else puts together.",
  },
  "passphrase-wrong": {
    title: "A pass phrase that opens nothing",
    fix: "Look for blanks and capitals; nobody can open the vault without it.",
  },
  "key-absent": {
    title: "A key that an app wants and that is not there",
    fix: "Make it, or adopt the one that there is.",
  },
  "key-lost": {
    title: "A key that is recorded and does not lie in the vault",
    fix: "Restore the vault from its archive: `oxalis keys restore`.",
  },
  "key-changed": {
    title: "A key that is not the one that was recorded, or that does not open",
    fix: "Restore the vault from its archive; do not build with this one.",
  },
  "key-ends": {
    title: "A certificate that has ended, or soon does",
    fix: "Make or ask for another one in time.",
  },
  "key-early": {
    title: "A certificate that does not hold yet",
    fix: "Look at this machine's clock, and at that of the one that made it; otherwise wait for that day.",
  },
  "key-weak": {
    title: "A key that is too short for what it is for",
    fix: "Make another one, before the first upload.",
  },
  "key-unfit": {
    title: "A certificate that its platform would refuse",
    fix: "Make or adopt the right one.",
  },
  "key-shared": {
    title: "A key that two clients have",
    fix: "Give each its own, while that can still be done: before the first upload.",
  },
  "profile-absent": {
    title: "A provisioning profile that an app wants and that is not there",
    fix: "Make it in Apple's developer pages, fetch its file, and `oxalis keys accept` it.",
  },
  "profile-ends": {
    title: "A provisioning profile that has ended, or soon does",
    fix: "Make it anew in Apple's developer pages, and `oxalis keys accept` it.",
  },
  "profile-lacks": {
    title: "A provisioning profile that does not grant what the app asks for",
    fix:
      "Switch it on for the identifier in Apple's developer pages, make the profile anew, and `oxalis keys accept` " +
      "it.",
  },
  "profile-exceeds": {
    title: "A provisioning profile that grants what the app does not ask for",
    fix: "Nothing has to be done to build; switch the capability off at the identifier where nobody needs it.",
  },
  "profile-unfit": {
    title: "A provisioning profile of the wrong kind",
    fix: "Name one that is for the store, as `signing: { profile: … }` in the brief, or leave it out.",
  },
  "profile-unsigned": {
    title: "A provisioning profile without the certificate that is kept",
    fix: "Make it anew in Apple's developer pages with that certificate chosen, and `oxalis keys accept` it.",
  },
  "profile-foreign": {
    title: "A certificate or profile of another team, or of another app",
    fix: "Look at the file again: each client's team and identifiers stand in `oxalis clients` and its brief.",
  },
  "key-unreadable": {
    title: "A file that is no key store, or that does not open",
    fix: "Ask whoever made it for its form and its password.",
  },
  "key-unclear": {
    title: "A key of which it is not said whose or what for it is",
    fix: "Say it: --client, --role, --alias.",
  },
  "key-foreign": {
    title: "A key that is another client's",
    fix: "Look at the file again: each client has keys of its own.",
  },
  "key-in-use": {
    title: "Another key in place of one that is in use",
    fix: "Keep the one that there is; --instead-of names it where it is lost.",
  },
} satisfies Record<string, ProblemKind>;
