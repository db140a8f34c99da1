import type { ProblemKind } from "./kind.ts";

/** What can be wrong with what people supply: workspace, briefs, sheets, pictures, ledgers. */
export const ofInputs = {
  "wrong-use": {
    title: "A call that is no command",
    fix: "`oxalis --help` lists the commands, and `oxalis <command> --help` what each takes.",
  },
  "workspace-not-found": {
    title: "No workspace here",
    fix: "Go to the folder that holds oxalis.yaml, or name it with -C; `oxalis demo <folder>` makes an example.",
  },
  "file-missing": {
    title: "A file is missing",
    fix: "Put the file where it is looked for, or correct the path that names it.",
  },
  "file-unreadable": {
    title: "A file cannot be read",
    fix: "Check that it is a file, that you may read it, and that it is saved as UTF-8 text.",
  },
  "file-too-large": {
    title: "A file is larger than Oxalis takes",
    fix: "Supply a smaller file; the limits are listed in docs/files.md.",
  },
  "path-outside": {
    title: "A path leads outside its folder",
    fix: "Move the file below the folder it belongs to and name it from there.",
  },
  "yaml-syntax": {
    title: "A file is not valid YAML",
    fix: "Correct the line shown: often a missing space after a colon, a tab, or an open quote.",
  },
  "key-unknown": {
    title: "A key nobody knows",
    fix: "Correct the spelling, or remove the line.",
  },
  "key-missing": {
    title: "A key that must be there is missing",
    fix: "Add the key; docs/files.md says what it holds.",
  },
  "value-invalid": {
    title: "A value is not of the kind expected",
    fix: "Write a value of the kind named.",
  },
  "color-invalid": {
    title: "A colour is none",
    fix: 'Write it as "#rrggbb" in quotes (YAML takes an unquoted # for a comment), or as a CSS colour name.',
  },
  "color-transparent": {
    title: "A colour lets something shine through",
    fix: "Give the colour without opacity: a platform would fill the gap with a colour of its own.",
  },
  "client-key-invalid": {
    title: "A client's folder name cannot be a key",
    fix: "Rename the folder: lower-case letters, digits and hyphens, starting with a letter or digit, at most 60.",
  },
  "client-unknown": {
    title: "No client has this key",
    fix: "`oxalis clients` lists the keys.",
  },
  "client-retired": {
    title: "A client who is out of service",
    fix: "Bring it back by `oxalis retire <key> --back`, or leave it out.",
  },
  "clients-none": {
    title: "No client is meant",
    fix: "`oxalis clients` lists the groups and states that clients are in.",
  },
  "stage-unknown": {
    title: "No stage has this name",
    fix: "Correct the name given to --stage, or describe the stage under stages in oxalis.yaml.",
  },
  "no-clients": {
    title: "The workspace has no clients",
    fix:
      "`oxalis export roster.xlsx` writes the sheet to hand out, `oxalis import` takes it in; or make a folder " +
      "below clients/ with a brief.yaml in it.",
  },
  "form-former": {
    title: "Something in a form or a place from before",
    fix: "Move it to where it is expected now; until then it is read where it is.",
  },
  "pattern-invalid": {
    title: "A pattern cannot be read",
    fix: "docs/patterns.md lists the fields and words a pattern may use.",
  },
  "name-invalid": {
    title: "A name is too long or empty for a store",
    fix: "Give a name within the limit in the brief.",
  },
  "identifier-invalid": {
    title: "An identifier that a platform does not accept",
    fix: "Give one in the brief under `identifiers`, or change the domain or the name it is made from.",
  },
  "identifier-empty": {
    title: "Nothing is left for an identifier",
    fix:
      "Give one in the brief, as `identifiers.base`: at least two words of letters and digits with a full " +
      "stop between them.",
  },
  "role-unknown": {
    title: "No picture is of this role",
    fix: "Correct the name given to --role; `oxalis art` lists all of them.",
  },
  "group-unknown": {
    title: "A group that oxalis.yaml does not have",
    fix: "Correct the spelling in the brief or behind --group, or add the group under `groups` in oxalis.yaml.",
  },
  "name-shared": {
    title: "Two clients with one name",
    fix: "Ask which of them it belongs to: a store takes a name once.",
  },
  "identifier-taken": {
    title: "Two clients with one identifier",
    fix: "Give one of them its own under `identifiers` in its brief.",
  },
  "identifier-held": {
    title: "A brief or pattern would change an identifier that is in use",
    fix: "Nothing, if that is as it should be. `oxalis rename-identifier` changes it, and says what that breaks.",
  },
  "ledger-damaged": {
    title: "A client's ledger cannot be read",
    fix: "Take the last good one from version control. It is never made anew: it knows what is in use.",
  },
  "ledger-unsettled": {
    title: "A ledger would have to change, and --settled forbids it",
    fix: "Run `oxalis generate` without --settled, and commit the ledgers it writes.",
  },
  "identifier-unsure": {
    title: "An identifier of which nobody can be sure, since the name or the domain has no sure reading",
    fix: "Ask the client how it is written, and give `identifiers: { base: … }`: the first release fixes it.",
  },
  "orientation-free": {
    title: "A way of holding the device that wide screens do not keep to",
    fix: "Nothing has to be done: from 600 dp on, systems turn every app that is made for the current target.",
  },
  "label-short": {
    title: "A label that is a part of a longer name",
    fix: "Ask the client what the app is called for short, and give it as `app: { label: … }`.",
  },
  "label-wide": {
    title: "A name that is cut off under the icon",
    fix: "Give a shorter one as `app.label` in the brief.",
  },
  "version-invalid": {
    title: "A version a store does not accept",
    fix: "Write three numbers, such as 1.0.0; the first not 0.",
  },
  "version-overruled": {
    title: "A version in a brief that releases have passed",
    fix: "Take it out of the brief: `oxalis release` gives versions and build numbers from the first release on.",
  },
  "report-unknown": {
    title: "A report of an unknown kind",
    fix: "End the report's name in .sarif, or in .xml for the form that build servers read test results in.",
  },
  "text-invalid": {
    title: "A text with a character that cannot be shown",
    fix:
      "Write the text anew at this place: it was most likely copied from a page or a document, with " +
      "something unseen in it.",
  },
  "file-name-invalid": {
    title: "A file's name that not every system can hold",
    fix: "Rename the file: letters of any script, digits, blanks, and marks other than control characters.",
  },
  "answer-missing": {
    title: "An answer that the template asks for is missing",
    fix: "Ask the client, and put it under `answers` or `content` in the brief.",
  },
  "answer-invalid": {
    title: "An answer that is not what was asked for",
    fix: "Correct it, or ask the client again and show the example.",
  },
  "answer-unknown": {
    title: "An answer to no question",
    fix: "Correct the name, or ask for it in template.yaml.",
  },
  "feature-unknown": {
    title: "A feature that the template does not have",
    fix: "Correct the name, or declare the feature in template.yaml.",
  },
  "usage-missing": {
    title: "The text that people read when the app asks for something is missing",
    fix:
      "Ask the client for one sentence that says what it is for, and put it under the feature's `usage`; " +
      "or switch the feature off.",
  },
} satisfies Record<string, ProblemKind>;
