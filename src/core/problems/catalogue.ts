/** What to say about each thing that can go wrong: a heading for the reference page, and what to do next. */
export interface ProblemKind {
  title: string;
  fix: string;
}

const kinds = {
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
  "no-clients": {
    title: "The workspace has no clients",
    fix: "Make a folder below clients/ with a brief.yaml in it.",
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
    fix: "Give one in the brief, as `identifiers.base`: at least two words of letters and digits with a full stop between them.",
  },
  "group-unknown": {
    title: "A group that oxalis.yaml does not have",
    fix: "Correct the spelling in the brief, or add the group under `groups` in oxalis.yaml.",
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
  "ledger-locked": {
    title: "A ledger would have to change, and --locked forbids it",
    fix: "Run `oxalis generate` without --locked, and commit the ledgers it writes.",
  },
  "release-refused": {
    title: "A release that cannot be made",
    fix: "Say what kind of release it is: --major, --minor, --patch, or --rebuild for the same version again.",
  },
  "label-wide": {
    title: "A name that is cut off under the icon",
    fix: "Give a shorter one as `app.label` in the brief.",
  },
  "version-invalid": {
    title: "A version a store does not accept",
    fix: "Write three numbers, such as 1.0.0; the first not 0.",
  },
  "art-missing": {
    title: "A client has no picture to draw from",
    fix: "Name a picture under `art` in the brief: an icon (a square picture) or a mark (the logo alone).",
  },
  "art-unreadable": {
    title: "A picture that is none, or is broken",
    fix: "Ask for it again as SVG, PNG or JPEG; open it in a viewer before you send it on.",
  },
  "art-unsafe": {
    title: "A picture that reaches outside itself",
    fix: "Ask the designer to export it again as plain SVG: no scripts, no entities, no links to other files.",
  },
  "art-too-large": {
    title: "A picture larger than Oxalis takes",
    fix: "Supply it smaller; the limits are listed in docs/files.md.",
  },
  "art-empty": {
    title: "A picture with nothing on it",
    fix: "Supply the picture that was meant; this one is fully transparent or of one colour.",
  },
  "art-small": {
    title: "A picture is smaller than what is drawn from it",
    fix: "Ask for a larger one, best as SVG; until then it is enlarged and looks soft.",
  },
  "art-not-square": {
    title: "An icon that is not square",
    fix: "Ask for a square one, or accept that the longer side is cut.",
  },
  "art-rounded": {
    title: "An icon whose corners are cut round already",
    fix: "Ask for the full square: each system cuts the corners in its own shape.",
  },
  "art-transparent": {
    title: "An icon with transparency where it will be filled",
    fix: "Ask for an opaque one, or check that the colour it is filled with is the right one.",
  },
  "art-cut": {
    title: "An icon that reaches beyond what masks leave of it",
    fix: "Ask for more room around what is drawn, or supply the mark alone as `art.mark`.",
  },
  "art-contrast": {
    title: "A mark that hardly stands out from its ground",
    fix: "Choose another `colors.ground`, or ask for the mark in another colour.",
  },
  "art-bitmap": {
    title: "A vector picture with a bitmap in it",
    fix: "Ask for one drawn in paths: the bitmap gets soft or ragged at other sizes.",
  },
  "art-text": {
    title: "A vector picture with text in a font it does not bring along",
    fix: "Ask the designer to turn the text into paths.",
  },
  "art-alike": {
    title: "A picture that looks like another client's, or the template's",
    fix: "Make sure that the right file was supplied; stores refuse copies.",
  },
  "report-unknown": {
    title: "A report of an unknown kind",
    fix: "End the report's name in .sarif, or in .xml for the form that build servers read test results in.",
  },
  "template-empty": {
    title: "The template folder holds no app",
    fix: "Point `template` in oxalis.yaml at the folder that holds the app's android, ios, windows or web part.",
  },
  "template-part-missing": {
    title: "The template has no part for a platform",
    fix: "Take the platform out of `platforms` in oxalis.yaml, or add that part to the template.",
  },
  "template-syntax": {
    title: "A file of the template cannot be read",
    fix: "Open the template in its own tools and mend the file; it must build before it can be branded.",
  },
  "template-gap": {
    title: "A place that the template does not have",
    fix: "Add it to the template, or name it in template.yaml; until then the client's value does not appear there.",
  },
  "fill-not-found": {
    title: "A place named in template.yaml is not in the file",
    fix: "Correct `at`: it is a path in that file's own form, as docs/files.md shows.",
  },
  "run-in-progress": {
    title: "Another run is at work in this workspace",
    fix: "Wait until it ends. If it was killed, it is taken for dead a few seconds later.",
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
  "residue-name": {
    title: "The template's name is left in a variant",
    fix: "Name the place under `fill` in template.yaml, or leave the file out with `leave`.",
  },
  "residue-picture": {
    title: "A picture of the template is left in a variant",
    fix: "Leave the file out with `leave` in template.yaml, or have the template refer to it as one of its icons.",
  },
  "sheet-unreadable": {
    title: "A sheet that cannot be read",
    fix: "Save it again as CSV or XLSX, with the headings in its first row.",
  },
  "map-invalid": {
    title: "A --map that cannot be read",
    fix: 'Write it as --map "Heading in the sheet=field", such as --map "Firma=owner"; docs/commands.md lists the fields.',
  },
  "row-refused": {
    title: "A row that cannot be taken",
    fix: "Correct the cell and import again; with --partial the good rows are taken without it.",
  },
  "folder-in-use": {
    title: "The folder is already there",
    fix: "Name a folder that does not exist yet or is empty.",
  },
} satisfies Record<string, ProblemKind>;

export type ProblemCode = keyof typeof kinds;

/** Every problem Oxalis can report, by its stable code. docs/problems.md is written from this table. */
export const problemKinds: Readonly<Record<ProblemCode, ProblemKind>> = kinds;
