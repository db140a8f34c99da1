import type { ProblemKind } from "./kind.ts";

/** What can be wrong with a template, and with what is made from it. */
export const ofWork = {
  "port-taken": {
    title: "A port that cannot be served on",
    fix: "Name another one, or 0 for any that is free.",
  },
  "mail-refused": {
    title: "A letter that could not be sent",
    fix: "Set OXALIS_SMTP to the mail server, such as smtp://user@mail.example:587, and OXALIS_SMTP_PASSWORD.",
  },
  "letter-unsure": {
    title: "A letter that may have arrived",
    fix:
      "Ask whether it came. If it did, `oxalis ask <client> --sent` notes that; if not, `--send --again` sends it " +
      "again, as the same message.",
  },
  "letter-repeated": {
    title: "A second letter to a client on one day",
    fix: "Wait until tomorrow, or send it all the same: --again.",
  },
  "output-refused": {
    title: "A result that would be written over what somebody wrote",
    fix: "Name another file, outside of clients/ and words/.",
  },
  "clock-wrong": {
    title: "A clock that cannot be right",
    fix: "Set this machine's clock, or SOURCE_DATE_EPOCH where that is set.",
  },
  "field-unknown": { title: "A field that there is not", fix: "Take the one that is meant." },
  "approve-refused": {
    title: "An approval of which it is not said by whom, or of whose drafts",
    fix: "Say who has read them: --by. `--dry-run` shows them before.",
  },
  "entered-unclear": {
    title: "What has been entered into a store's form is not said clearly",
    fix: "Copy the line that the page shows below its last field, or name one client and one store.",
  },
  "retire-refused": {
    title: "It is not said who goes out of service, or comes back",
    fix: 'Name them; all of them are "*".',
  },
  "release-refused": {
    title: "A release that cannot be made",
    fix: "Say what kind of release it is: --major, --minor, --patch, or --rebuild for the same version again.",
  },
  "release-unsure": {
    title: "A first release would fix an identifier of which nobody can be sure",
    fix: "Confirm it, or another: `identifiers: { base: … }` in the brief.",
  },
  "release-incomplete": {
    title: "A record that a store would still refuse: a build may go there, what is submitted waits",
    fix: "Complete it before it is submitted: `oxalis board` lists what is missing.",
  },
  "release-unproven": {
    title: "A release of what is not proven",
    fix: "Generate and audit first; --platform names what may go without it, --force releases all the same.",
  },
  "notes-long": {
    title: "Notes that a store does not take",
    fix: "Shorten them: only the first lines are seen anyway.",
  },
  "template-empty": {
    title: "The template folder holds no app",
    fix: "Point `template` in oxalis.yaml at the folder that holds the app's android, ios, windows or web part.",
  },
  "app-in-example": {
    title: "A template whose only app is the example of a library",
    fix:
      "Is it the app that clients get? Then point `template` in oxalis.yaml at its folder, so that variants hold it " +
      "alone; otherwise at the app.",
  },
  "platform-unused": {
    title: "A client that wants no platform of the agency's",
    fix: "Name one of them under `platforms` in the brief, or add the platform in oxalis.yaml.",
  },
  "template-part-missing": {
    title: "The template has no part for a platform",
    fix: "Take the platform out of `platforms` in oxalis.yaml, or add that part to the template.",
  },
  "template-syntax": {
    title: "A file of the template cannot be read",
    fix: "Open the template in its own tools and mend the file; it must build before it can be branded.",
  },
  "left-out-named": {
    title: "A file is to be left out that another refers to",
    fix:
      "Take it off `leave` in template.yaml, or take the reference out of the template; a build that " +
      "misses it fails.",
  },
  "language-dropped": {
    title: "A language of a client's that the template's build leaves out of the package",
    fix: "Let the developers add it to the list, or take the list out: stores leave out what a device does not want.",
  },
  "target-old": {
    title: "A template that is made for an older system than a store takes",
    fix: "Raise it in the template, try the app on that system, and build again.",
  },
  "template-gap": {
    title: "A place that the template does not have",
    fix: "Add it to the template, or name it in template.yaml; until then the client's value does not appear there.",
  },
  "secret-kept": {
    title: "A secret in the template",
    fix:
      "Take it out of the template, or name it under `leave` in template.yaml; or, where it is public, " +
      "under `allow` with the reason.",
  },
  "secret-likely": {
    title: "What looks like a secret in the template",
    fix:
      "Look at it. Name it under `leave` in template.yaml, or, where everybody may have it, under `allow` " +
      "with the reason.",
  },
  "fill-overlaps": {
    title: "One place of the template is filled in two ways",
    fix: "Take one of both out of template.yaml.",
  },
  "fill-not-found": {
    title: "A place named in template.yaml is not in the file",
    fix: "Correct `at`: it is a path in that file's own form, as docs/files.md shows.",
  },
  "run-in-progress": {
    title: "Another run is at work in this workspace",
    fix:
      "Wait until it ends; a dead one's hold ends by itself. One of another machine that is no more: " +
      "`oxalis clean --lock`.",
  },
  "lock-lost": {
    title: "The hold on a workspace was taken away",
    fix: "Nothing that was not there yet has been written. Run the same command again.",
  },
  "change-open": {
    title: "A change of several files that is neither made nor taken back",
    fix: "Make the folder it names writable, then run any command: it goes on. What is open lies in .oxalis/open.",
  },
  "write-failed": {
    title: "A file could not be written",
    fix: "Check the disk's space and the folder's permissions, then run the same command again: it goes on from here.",
  },
  "receipt-damaged": {
    title: "A variant's receipt cannot be read",
    fix: "Delete the variant's folder and generate it again.",
  },
  "out-of-date": {
    title: "A variant is not what its inputs now say",
    fix: "Run `oxalis generate` for this client.",
  },
  "output-missing": {
    title: "A file of a variant is missing",
    fix: "Run `oxalis generate`: it puts back what is missing.",
  },
  "output-changed": {
    title: "A file of a variant was changed by hand",
    fix: "Move the change into the template or the brief, then run `oxalis generate`: it restores the file.",
  },
  "output-stray": {
    title: "A file nobody planned lies in a variant",
    fix: "Delete it, or move it to where it belongs: nothing in a variant is kept by hand.",
  },
  "residue-identifier": {
    title: "The template's identifier is left in a variant",
    fix: "Name the place under `fill` in template.yaml so that it is filled for every client.",
  },
  "name-unknown": {
    title: "A template of which nothing says what it is called",
    fix: "Give every name that people know it by under `names` in template.yaml.",
  },
  "residue-name": {
    title: "The template's name is left in a variant",
    fix: "Name the place under `fill` in template.yaml, or leave the file out with `leave`.",
  },
  "residue-address": {
    title: "An address of the template is left in a variant",
    fix: "Name the place under `fill` in template.yaml, with {domain}, {email} or {scheme}.",
  },
  "residue-owner": {
    title: "The template's owner, publisher or team is left in a variant",
    fix: "Name the place under `fill` in template.yaml, with {owner}, {windows.publisherName} or {signing.team}.",
  },
  "residue-color": {
    title: "A colour of the template's brand",
    fix:
      "Name the place under `fill` in template.yaml, such as a custom property with {colors.brand}; or " +
      "allow it with a reason.",
  },
  "residue-client": {
    title: "Something of another client",
    fix:
      "Take it out of the brief, its texts or its pictures, and generate again; or allow it in " +
      "template.yaml with a reason.",
  },
  "place-wrong": {
    title: "A place of the build files that is not as its platform wants it",
    fix:
      "Run `oxalis generate`; where it stays, the template names a place that its own files do not fit: " +
      "correct it there.",
  },
  "residue-picture": {
    title: "A picture of the template is left in a variant",
    fix: "Say under `pictures` in template.yaml what it is, so that it is drawn anew; or leave it out with `leave`.",
  },
  "folder-in-use": {
    title: "The folder is already there",
    fix: "Name a folder that does not exist yet or is empty.",
  },
  "plan-damaged": {
    title: "A plan that cannot be carried out",
    fix: "Write it again where it was planned, and the store of what it is made from with it.",
  },
  "program-missing": {
    title: "A program is not there",
    fix: "Install it, or say where it is in the path that programs are found by.",
  },
  "step-failed": {
    title: "A step of a job failed",
    fix: "Run it by hand in that folder, and mend what it says.",
  },
  "program-late": {
    title: "A program took too long",
    fix: "Look at what it was doing; where it needs more time, give it more.",
  },
} satisfies Record<string, ProblemKind>;
