import { expect, test } from "vitest";
import { aroundFiles } from "../support/around-files.ts";
import { made } from "../support/made.ts";

/** A program's version block around these lines, its numbers, and what it includes. */
const script = (numbers: string, values: readonly string[]) => `#include "version.h"
1 VERSIONINFO
FILEVERSION ${numbers}
PRODUCTVERSION ${numbers}
BEGIN
${values.map((each) => `  VALUE ${each}\n`).join("")}END
`;

const kelps = "Kelp & O'Hara";

test.each([
  {
    form: "as it stands",
    files: { "win/crates.rc": script("1, 4, 2, 0", ['"FileVersion", "1.4.2.0\\0"', '"ProductVersion", "1,4,2,0"']) },
    says: {
      "win/crates.rc": [
        "FILEVERSION 2, 5, 1, 0\nPRODUCTVERSION 2, 5, 1, 0\n",
        '"FileVersion", "2.5.1.0"',
        '"ProductVersion", "2,5,1,0"',
      ],
    },
  },
  {
    form: "by macros of a header",
    files: {
      "win/crates.rc": script("VERSION_WORDS", ['"FileVersion", VERSION "\\0"', '"ProductName", NAME']),
      "win/version.h": '#define VERSION "1.4.2" // shown\n#define VERSION_WORDS 1,4,2,0\n#define NAME L"Crates"\n',
      "other/version.h": '#define VERSION "9.9"\n',
    },
    says: {
      "win/crates.rc": ["FILEVERSION VERSION_WORDS\n", '"FileVersion", VERSION "\\0"', '"ProductName", NAME'],
      "win/version.h": [`VERSION "2.5.1" // shown\n#define VERSION_WORDS 2,5,1,0\n#define NAME L"${kelps}"`],
      "other/version.h": ['"9.9"'],
    },
  },
  {
    form: "number by number, in a header that a build makes",
    files: {
      "win/crates.rc": `#define ALL MAJOR,MINOR,FIX,BUILD\n${script("ALL", ['"CompanyName", "Tinwhistle"'])}`,
      "src/version.h.in": "#define MAJOR 1\n#define MINOR 4\n#define FIX 2\n#define BUILD 7\n",
    },
    says: {
      "win/crates.rc": ["#define ALL MAJOR,MINOR,FIX,BUILD\n", `"CompanyName", "${kelps} Ltd"`],
      "src/version.h.in": ["#define MAJOR 2\n#define MINOR 5\n#define FIX 1\n#define BUILD 7\n"],
    },
  },
  {
    form: "in pieces",
    files: {
      "win/crates.rc": script("1,4,2,0", [
        '"LegalCopyright", "Copyright " YEARS " by Ada Tin\\0" // of all',
        '"FileDescription", "Crates // boxes", "\\0"',
      ]),
    },
    says: {
      "win/crates.rc": [`"LegalCopyright", "2026 ${kelps} Ltd" // of all`, `"FileDescription", "${kelps}", "\\0"`],
    },
  },
])("what a Windows program says of itself is the client's, $form", ({ files, says }) => {
  const { root, started } = aroundFiles(files);
  expect(started.err).not.toContain("worked out");
  for (const [file, texts] of Object.entries(says)) for (const text of texts) expect(made(root, file)).toContain(text);
});

test("a version that cannot be followed is told with its line", () => {
  const { started } = aroundFiles({
    "win/crates.rc": script("WORDS", ['"ProductName", "Crates"', '"Comments", NOTES', '"FileVersion", VERSION']),
  });
  expect(started.err).toContain("Windows: the program's version is worked out where it cannot be followed");
  expect(started.err).toContain('8 |   VALUE "FileVersion", VERSION');
});
