import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { judgeArt } from "../../../../src/core/pictures/artwork/judge.ts";
import type { Looked } from "../../../../src/core/pictures/artwork/looked-at.ts";
import { readVector } from "../../../../src/core/pictures/artwork/vector/read.ts";
import { temporaryFolder } from "../../../support/oxalis.ts";

const svg = (inner: string, attributes = "") =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 9 ` +
  `9" ${attributes}>${inner}</svg>`;
const read = (text: string) => () => readVector({ file: "x.svg", text });
const uses = (levels: number, width: number) =>
  Array.from({ length: levels }, (_, at) => `<g id="g${at + 1}">${`<use href="#g${at}"/>`.repeat(width)}</g>`).join("");
const png = (width: number, height: number) => {
  const head = Buffer.from("89504e470d0a1a0a0000000d49484452", "hex");
  const size = Buffer.alloc(8);
  size.writeUInt32BE(width, 0);
  size.writeUInt32BE(height, 4);
  return Buffer.concat([head, size, Buffer.alloc(24)]).toString("base64");
};

test.each([
  ["a script", svg("<script>1</script>"), "holds a <script>"],
  ["a handler", svg('<path onclick="1"/>'), "holds a script in onclick"],
  ["HTML inside", svg("<foreignObject/>"), "holds a <foreignObject>"],
  ["another file", svg('<image xlink:href="../../secret.png"/>'), 'refers to "../../secret.png"'],
  ["the network", svg('<image href="https://evil.example/x.png"/>'), 'refers to "https://evil.example/x.png"'],
  ["the network, from a style", svg('<rect style="fill:url(http://evil.example/x)"/>'), "refers to"],
  ["an import", svg("<style>@import 'x.css'</style>"), "refers to another file from its styles"],
  ["a vector hidden in data", svg('<image href="data:image/svg+xml;base64,PHN2Zy8+"/>'), "refers to"],
  ["entities", `<!DOCTYPE svg [<!ENTITY a "b">]>${svg("")}`, "declares entities of its own"],
  ["an unknown entity", svg("&a;"), "is not valid XML"],
  [
    "references that multiply",
    svg(`<path id="g0"/>${uses(9, 10)}<use href="#g9"/>`),
    "elements when every reference is followed",
  ],
  [
    "a circle of references",
    svg('<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g>'),
    "refers to itself in a circle",
  ],
  [
    "a chain of filters",
    svg(`<filter id="f">${"<feGaussianBlur/>".repeat(30)}</filter><g filter="url(#f)"><g filter="url(#f)"/></g>`),
    "filter steps",
  ],
  [
    "a filter for everything, from a style",
    svg(`<style>*{filter:url(#f)}</style><filter id="f">${"<feTurbulence/>".repeat(9)}</filter>${"<g/>".repeat(30)}`),
    "filter steps",
  ],
  [
    "a bitmap that unpacks to gigabytes",
    svg(`<image href="data:image/png;base64,${png(60_000, 60_000)}"/>`),
    "more than 64 million pixels",
  ],
  ["great depth", svg("<g>".repeat(80) + "</g>".repeat(80)), "nests deeper than 64"],
  ["great count", svg("<g/>".repeat(20_001)), "has more than 20000 elements"],
  ["great size", svg(`<path d="${"M0 0".repeat(1_100_000)}"/>`), "the limit is 4194304"],
  ["another language", "<html/>", "is a <html>, not a picture"],
  ["no size", '<svg xmlns="http://www.w3.org/2000/svg"/>', "neither a viewBox nor a width and height"],
])("%s is refused before anything is drawn", (_, text, says) => {
  expect(read(text)).toThrow(says);
});

test("what designers' tools write is taken", () => {
  const ordinary = `<?xml version="1.0"?><!-- a tool --><!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" 
    "http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd">
    ${svg(
      `<metadata/><defs><style>.a{fill:url(#g)}</style><linearGradient id="g"><stop/></linearGradient>
      <filter id="s"><feDropShadow/></filter></defs>
    <g class="a" filter="url(#s)"><use xlink:href="#p"/><path id="p" d="M0 0h1"/></g>`,
      'fill="none"',
    )}`;
  expect(readVector({ file: "x.svg", text: ordinary })).toMatchObject({
    width: 9,
    height: 9,
    bitmap: false,
    text: false,
  });
  expect(
    readVector({
      file: "x.svg",
      text: svg(`<text>a</text><image href="data:image/png;base64,${png(8, 8)}"/>`),
    }),
  ).toMatchObject({
    bitmap: true,
    text: true,
  });
});

const root = temporaryFolder();
const place = { file: "brief.yaml", line: 1, column: 1, text: "" };
const judge = (inner: string) => {
  writeFileSync(join(root, "x.svg"), svg(inner));
  return judgeArt(root, "x.svg", place);
};

test.each([
  [
    "filters of which each is cheap to write down",
    '<filter id="f"><feTurbulence baseFrequency=".9" numOctaves="90"/><feTurbulence baseFrequency=".8" ' +
      'numOctaves="90"/></filter><path d="M0 0h9v9z" filter="url(#f)"/>',
  ],
  ["a pile of translucent surfaces", '<circle r="9" opacity=".5"/>'.repeat(19_000)],
])("%s: what nobody can count is drawn apart, and ended when it takes too much", async (_, inner) => {
  await expect(judge(inner)).rejects.toThrow("takes more than 4 seconds, or 2 GB of memory, to draw at 2048 pixels");
});

test("a mask, a pattern and a dash, as designers use them, pass", async () => {
  const art = await judge(
    '<mask id="m"><path fill="#fff" d="M1 1h7v7z"/></mask><pattern id="p" width=".2" height=".2"><path ' +
      'd="M0 0h1v1z"/></pattern><path mask="url(#m)" fill="url(#p)" stroke="#060" stroke-dasharray="1 2" ' +
      'd="M1 1h7v7z"/>',
  );
  expect(art.content.width).toBeGreaterThan(0.5);
});

test("a stroke around thirty thousand points is tried once, out of harm's way, and known as too dear", async () => {
  const line = Array.from({ length: 30_000 }, (_, at) => `${(at * 7919) % 977} ${(at * 6007) % 991}`).join("L");
  writeFileSync(join(root, "x.svg"), svg(`<path d="M${line}" fill="none" stroke="#123" stroke-width="40"/>`));
  let times = 0;
  const kept = new Map<string, Looked>();
  const known = {
    get: (hash: string) => kept.get(hash),
    set: (hash: string, looked: Looked) => {
      times++;
      kept.set(hash, looked);
    },
    save() {},
  };
  for (let at = 0; at < 3; at++)
    await expect(judgeArt(root, "x.svg", place, known)).rejects.toThrow("takes more than 4 seconds");
  expect(times).toBe(1);
}, 60_000);
