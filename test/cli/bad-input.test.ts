import { existsSync, renameSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, test } from "vitest";
import { historyOf } from "../support/history.ts";
import { edit, oxalis, workspaceWith } from "../support/oxalis.ts";

const brief = "clients/3-acre/brief.yaml";
const art = "clients/3-acre/art/mark.svg";

interface Case {
  what: string;
  file?: string;
  change(folder: string): void;
  code: string;
  place?: string;
  says: string[];
  /** The one platform that it stops; otherwise all of them. */
  stops?: string;
}

const replaced = (file: string, from: string | RegExp, to: string) => (folder: string) =>
  edit(folder, file, (text) => text.replace(from, to));
const written = (file: string, content: string | Buffer) => (folder: string) =>
  writeFileSync(join(folder, file), content);

/** A PNG that says it has 60,000 × 60,000 pixels, and has none. */
const vast = Buffer.from(
  "89504e470d0a1a0a0000000d494844520000ea600000ea60080600000080d2754200000008" +
    "49444154789c030000000001480689d20000000049454e44ae426082",
  "hex",
);

const cases: Case[] = [
  {
    what: "a misspelt key",
    change: replaced(brief, "  label:", "  lable:"),
    code: "key-unknown",
    place: `${brief}:3:3`,
    says: ['Nothing is called "lable" below app.', 'expected  "label"', "  lable: 3 Acre"],
  },
  {
    what: "a colour that is none",
    change: replaced(brief, '"#ffd23f"', '"#ffd23"'),
    code: "color-invalid",
    place: `${brief}:9:11`,
    says: ['"#ffd23" is not a colour', "CSS colour name"],
  },
  {
    what: "a colour that lets something shine through",
    change: replaced(brief, '"#ffd23f"', "transparent"),
    code: "color-transparent",
    place: `${brief}:9:11`,
    says: ["is not opaque"],
  },
  {
    what: "a missing brand colour",
    change: replaced(brief, '  brand: "#1e4d2b"\n', ""),
    code: "key-missing",
    says: ["colors.brand is missing"],
  },
  {
    what: "a picture that is not there",
    change: replaced(brief, "art/mark.svg", "art/logo.svg"),
    code: "file-missing",
    place: `${brief}:11:9`,
    says: ["clients/3-acre/art/logo.svg is not there."],
  },
  {
    what: "no picture at all",
    change: replaced(brief, /art:\n[\s\S]*/, ""),
    code: "art-missing",
    says: ["neither an icon nor a mark"],
  },
  {
    what: "a picture that is text",
    change: (folder) => {
      writeFileSync(join(folder, "clients/3-acre/art/mark.png"), "hello");
      edit(folder, brief, (text) => text.replace("mark.svg", "mark.png"));
    },
    code: "art-unreadable",
    place: `${brief}:11:9`,
    says: ["mark.png is not a picture that can be read.", "SVG, PNG, JPEG or WebP"],
  },
  {
    what: "a picture that is cut short",
    change: written(art, "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 10 10'><rect"),
    code: "art-unreadable",
    says: ["is not valid XML"],
  },
  {
    what: "a picture that reads another file",
    change: written(
      art,
      "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 10 10'><image href='file:///etc/hostname'/></svg>",
    ),
    code: "art-unsafe",
    place: `${art}:1`,
    says: ['refers to "file:///etc/hostname"'],
  },
  {
    what: "a picture with entities",
    change: written(
      art,
      '<!DOCTYPE svg [<!ENTITY a "aaaa">]><svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1 1"/>',
    ),
    code: "art-unsafe",
    says: ["declares entities of its own"],
  },
  {
    what: "an empty picture",
    change: written(art, "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 10 10'/>"),
    code: "art-empty",
    says: ["shows nothing"],
  },
  {
    what: "an identifier that a platform does not accept",
    change: (folder) => edit(folder, brief, (text) => `${text}identifiers:\n  android: acre\n`),
    code: "identifier-invalid",
    place: `${brief}:49:12`,
    stops: "android",
    says: ["Android does not accept the identifier", "it must have two segments or more"],
  },
  {
    what: "a name that no store takes",
    change: replaced(brief, "name: 3 Acre Greens", `name: ${"Greens ".repeat(6)}`),
    code: "name-invalid",
    says: ["at most 30 characters"],
  },
  {
    what: "a version of two numbers",
    change: replaced(brief, "domain:", 'version: "1.0"\ndomain:'),
    code: "version-invalid",
    says: ["three whole numbers"],
  },
  {
    what: "a path that leads out of the client's folder",
    change: replaced(brief, "art/mark.svg", "../saltmarsh/art/mark.svg"),
    code: "path-outside",
    says: ["lies outside 3-acre's folder"],
  },
  {
    what: "YAML that is none",
    change: replaced(brief, "app:", "app: ["),
    code: "yaml-syntax",
    place: `${brief}:`,
    says: [],
  },
  {
    what: "a pattern with a misspelt word",
    change: replaced("oxalis.yaml", "{domain reversed}", "{domain reversd}"),
    code: "pattern-invalid",
    place: "oxalis.yaml:12:30",
    says: ['No word is called "reversd".', 'expected  "reversed"'],
  },
  {
    what: "a place in template.yaml that is not in the file",
    change: replaced("template.yaml", '"#shop-name"', '"#shopname"'),
    code: "fill-not-found",
    place: "template.yaml:6:9",
    says: ['web/index.html has nothing at "#shopname".'],
  },
  {
    what: "a template that holds no app",
    change: (folder) => {
      for (const part of ["android", "ios", "windows", "web"])
        rmSync(join(folder, "template", part), { recursive: true });
    },
    code: "template-empty",
    says: ["template holds no app."],
  },
  {
    what: "a template whose manifest is broken",
    change: replaced("template/android/app/src/main/AndroidManifest.xml", "</manifest>", ""),
    code: "template-syntax",
    place: "template/android/app/src/main/AndroidManifest.xml:",
    says: ["is not valid XML"],
  },
  {
    what: "a value that the template wants and nobody gives",
    change: replaced("oxalis.yaml", "year: 2026\n", ""),
    code: "key-missing",
    says: ['Nothing gives copyright, which ios/Storefront/Info.plist wants in place of "2019 Lanternfield".'],
  },
  {
    what: "a picture by hand for a place that is none",
    change: replaced(brief, "android/notification:", "android/notifcation:"),
    code: "key-unknown",
    place: `${brief}:16:5`,
    says: ['No picture is called "android/notifcation".', 'expected  "android/notification"', "`oxalis art`"],
  },
  {
    what: "a feature that the template does not have",
    change: replaced(brief, "art:\n", "features: { camra: on }\nart:\n"),
    code: "feature-unknown",
    place: `${brief}:10:13`,
    says: ['The template has no feature called "camra".'],
  },
  {
    what: "a group that nobody declared",
    change: replaced(brief, "owner:", "groups: [farms]\nowner:"),
    code: "group-unknown",
    place: `${brief}:4:10`,
    says: ['No group is called "farms".'],
  },
  {
    what: "a value of another kind",
    change: replaced(brief, "domain: 3acre.example", "domain: [3acre.example]"),
    code: "value-invalid",
    place: `${brief}:5:9`,
    says: ["domain is"],
  },
  {
    what: "a name of which nothing is left for an identifier",
    change: replaced(brief, "  name: 3 Acre Greens", '  name: "!!!"'),
    code: "identifier-empty",
    place: `${brief}:2:9`,
    says: [],
  },
  {
    what: "a brief that is not UTF-8",
    change: written(brief, Buffer.from("app: { name: Br\xe9nnan }", "latin1")),
    code: "file-unreadable",
    says: [`${brief} is not UTF-8 text.`],
  },
  {
    what: "a folder whose name cannot be a key",
    change: (folder) => renameSync(join(folder, "clients/3-acre"), join(folder, "clients/3 Acre")),
    code: "client-key-invalid",
    says: ["clients/3 Acre cannot be a client's key."],
  },
  {
    what: "a workspace without clients",
    change: (folder) => rmSync(join(folder, "clients/3-acre"), { recursive: true }),
    code: "no-clients",
    says: ["There is no client in clients/ yet."],
  },
  {
    what: "a platform that the template has no part for",
    change: (folder) => rmSync(join(folder, "template/windows"), { recursive: true }),
    code: "template-part-missing",
    place: "oxalis.yaml:8:27",
    says: ["The template has no part for windows."],
  },
  {
    what: "an agency's name of two lines",
    change: replaced("oxalis.yaml", /^( +name:) .*$/m, '$1 "Lantern\\nBcc: other@else.example"'),
    code: "text-invalid",
    place: "oxalis.yaml:",
    says: ["character 8 is U+000A, a line end"],
  },
  {
    what: "an answer to no question",
    change: replaced(brief, "art:\n", "answers: { tables: 4 }\nart:\n"),
    code: "answer-unknown",
    place: `${brief}:10:12`,
    says: ['No question is called "tables".'],
  },
  {
    what: "a picture of more pixels than are taken",
    change: (folder) => {
      written("clients/3-acre/art/mark.png", vast)(folder);
      replaced(brief, "art/mark.svg", "art/mark.png")(folder);
    },
    code: "art-too-large",
    place: `${brief}:11:9`,
    says: ["60000 × 60000 pixels; the limit is 64 million"],
  },
];

test.each(cases)(
  "$what: told with its place and what to do; exit code 1, nothing written of what it stops",
  ({ change, code, place, says, stops }) => {
    const folder = workspaceWith(["3-acre"]);
    change(folder);
    const { code: exit, err } = oxalis(folder, "generate");
    expect(err).toContain(`[${code}]`);
    for (const words of [place ?? "", "to do", ...says]) expect(err).toContain(words);
    expect(err).not.toContain("defect");
    expect(exit).toBe(1);
    expect(existsSync(join(folder, stops ? `variants/3-acre/${stops}` : "variants"))).toBe(false);
    expect(existsSync(join(folder, "variants/3-acre/web"))).toBe(stops !== undefined);
  },
);

test("two clients with one identifier: both are told, and neither is made for that platform", () => {
  const folder = workspaceWith(["3-acre", "saltmarsh", "root-and-leaf"]);
  edit(folder, brief, (text) => `${text}identifiers:\n  ios: Example.Saltmarsh.SaltmarshRoots\n`);
  const { code, err } = oxalis(folder, "generate");
  expect(code).toBe(1);
  expect(err).toContain("is also the identifier of saltmarsh.");
  expect(err).toContain("is also the identifier of 3-acre.");
  const isMade = (path: string) => existsSync(join(folder, "variants", path));
  expect(["root-and-leaf/ios", "saltmarsh/ios", "3-acre/ios"].map(isMade)).toEqual([true, false, false]);
  expect(["saltmarsh/android", "3-acre/android"].map(isMade)).toEqual([true, true]);
  const { identifiers } = historyOf(folder, "saltmarsh");
  expect(Object.keys(identifiers)).toEqual(["android", "web", "windows"]);
});

describe("wrong use", () => {
  test("outside a workspace, with a wrong -C, with a client nobody has: exit code 1 and what to do", () => {
    const folder = workspaceWith(["3-acre"]);
    expect(oxalis("/", "clients")).toMatchObject({
      code: 1,
      err: expect.stringContaining("[workspace-not-found]"),
    });
    expect(oxalis("/", "clients", "-C", join(folder, "clients")).err).toContain("No oxalis.yaml in");
    expect(oxalis(join(folder, "clients/3-acre"), "clients").code).toBe(0);
    expect(oxalis(folder, "generate", "3-arce").err).toMatch(/No client is called "3-arce"\.[\s\S]*expected +3-acre/);
    expect(oxalis(folder, "check", "z*").err).toContain("[client-unknown]");
    edit(folder, "oxalis.yaml", (text) => `${text}\ngroups: { coast: {} }\n`);
    expect(oxalis(folder, "check", "3-*", "--group", "coat").err).toMatch(/"coat"[\s\S]*expected +"coast"/);
    expect(oxalis(folder, "check", "--state", "numbered").err).toContain('No client is in the state "numbered".');
  });

  test("an unknown command, option or field: exit code 2", () => {
    const folder = workspaceWith(["3-acre"]);
    expect(oxalis(folder, "genrate")).toMatchObject({
      code: 2,
      err: expect.stringMatching(/\[wrong-use\]\n.*expected +generate\n/),
    });
    expect(oxalis(folder, "generate", "--fast").code).toBe(2);
    expect(JSON.parse(oxalis(folder, "generate", "--fast", "--json").out).problems).toMatchObject([
      { code: "wrong-use", message: "Unknown option '--fast'." },
    ]);
    expect(oxalis(folder, "explain", "3-acre", "app.nme")).toMatchObject({
      code: 2,
      err: expect.stringContaining("app.name"),
    });
    expect(oxalis(folder, "--help")).toMatchObject({ code: 0, out: expect.stringContaining("generate") });
  });

  test("the example is not written over a folder in use", () => {
    const folder = workspaceWith(["3-acre"]);
    expect(oxalis("/", "demo", folder)).toMatchObject({
      code: 1,
      err: expect.stringContaining("[folder-in-use]"),
    });
  });
});
