// Things that people do not mean well by, or that came to harm on the way.
import { spawnSync } from "node:child_process";
import { mkdirSync, readdirSync, readFileSync, symlinkSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { at, below, flipped, oneOf, sentinel } from "./ground.mjs";

export const pictures = [
  () =>
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><path stroke="#000" fill="none" ` +
    `d="M${Array.from({ length: 20_000 }, () => `${below(9)} ${below(9)}`).join("L")}"/></svg>`,
  () =>
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9">${"<g>".repeat(below(90))}<path d="M0 ` +
    `0h9v9z" onclick="x"/>`,
  () =>
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><filter ` +
    `id="f">${"<feTurbulence numOctaves='99'/>".repeat(1 + below(40))}</filter><rect width="9" ` +
    `height="9" filter="url(#f)"/></svg>`,
  () => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><image href="file:///etc/passwd"/></svg>`,
  () => Buffer.from(Array.from({ length: 400 }, () => below(256))),
  () => flipped(readFileSync(join("demo/clients/saltmarsh/captures/phone/en/boxes.png"))),
];

const fontFiles = () => readdirSync("dist/fonts").map((name) => join("dist/fonts", name));
export const fonts = [
  () => flipped(readFileSync(oneOf(fontFiles()))),
  () => Buffer.concat([Buffer.from([0, 1, 0, 0, 0xff, 0xff]), Buffer.alloc(below(9999))]),
  () => readFileSync("node_modules/@fontsource/roboto/files/roboto-latin-400-normal.woff"),
  () => Buffer.alloc(0),
];

/** Lines at the end of a brief: days that are none, waivers of nothing, a store's fields in every wrong form. */
export const briefLines = [
  () => `waived: [{ rule: nonsense, reason: x, by: y, until: 2026-02-31 }]`,
  () =>
    `waived: [{ rule: price-in-text, reason: x, by: y, until: ${oneOf(["never", "99999-01-01", "'2026-13-01'"])} }]`,
  () => `waived: ${"[".repeat(below(40))}`,
  () => `store: { released: 2026-02-30, price: ${oneOf(["-1 EUR", "1e99 XXX", "[]", "null"])} }`,
  () => `store: { texts: { en: { description: ${JSON.stringify("é".repeat(below(30_000)))} } } }`,
  () =>
    `store: { texts: { ${oneOf(["en", "xx-yy-zz", "../..", "__proto__"])}: { keywords: [${"a,".repeat(below(400))}] } } }`,
  () =>
    `store: { goods: [{ id: ../x, name: x, kind: once, price: free }], accounts: { key: ${"A".repeat(below(40))} } }`,
  () => `store: { reserved: [{ store: app-store, name: x, until: yesterday }], declares: { advertising: maybe } }`,
  () => `content: { boxes: ${JSON.stringify(Array.from({ length: below(3000) }, () => ({ title: "x" })))} }`,
];

/** Sheets with columns of a store's record, and what stands in their cells. */
export const sheets = [
  () =>
    `client,store.texts.en.description,store.price,store.released,store.countries\n3-acre,"${"x".repeat(below(40_000))}",` +
    `=1+1,2026-02-31,"GB${",ZZ".repeat(below(300))}"\n`,
  () => `client,store.texts.en.keywords,waived\n3-acre,"a\u0000b,,,,",x\n`,
  () => `client,store.in,store.accounts.key\n3-acre,"app-store,nowhere",${"K".repeat(below(99))}\n`,
  () => `client,art.mark,art.icon\n3-acre,../../saltmarsh/art/mark.svg,/etc/passwd\n`,
  () => flipped(Buffer.from(`client,app.name,domain\n"3-acre","Ä""x",a.example\n${"b,c\n".repeat(below(300))}`)),
];

/** Puts into a folder what pictures are looked for in, and what is none: links, pipes, archives, names alike. */
export function fillPictures(folder) {
  mkdirSync(join(folder, "3-acre"), { recursive: true });
  const put = [
    () => symlinkSync("/etc/passwd", join(folder, "3-acre/icon.png")),
    () => symlinkSync(sentinel, join(folder, "saltmarsh")),
    () => symlinkSync(folder, join(folder, "3-acre/again")),
    () => spawnSync("mkfifo", [join(folder, "3-acre/mark.svg")]),
    () => writeFileSync(join(folder, "3-acre/art.zip.png"), Buffer.from("PK\u0003\u0004 and no more")),
    () => writeFileSync(join(folder, "3-acre/Mark.svg"), oneOf(pictures)()),
    () => writeFileSync(join(folder, "3-acre/mark.SVG"), oneOf(pictures)()),
  ];
  for (const each of put)
    if (below(3) > 0)
      try {
        each();
      } catch {
        // Something of that name is there already.
      }
}

/** Names that differ by the case of their letters alone, among the template's files and a client's. */
export function fillAlike() {
  const files = [
    ["template/web/Index.html", "<p>other</p>"],
    ["template/web/STYLE.css", "p { color: red }"],
    ["template/android/app/src/main/res/values/Texts.xml", "<resources/>"],
    ["clients/3-acre/art/MARK.svg", oneOf(pictures)()],
    ["clients/3-acre/Brief.yaml", "app: { name: Other }\n"],
  ];
  const put = files.filter(() => below(2) > 0);
  for (const [file, content] of put) writeFileSync(at(file), content);
  return put.map(([file]) => at(file));
}
