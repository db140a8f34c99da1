import { mkdirSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import sharp from "sharp";
import { expect, test } from "vitest";
import { contentOf } from "../../../../src/core/app/survey/content.ts";
import { openFolder } from "../../../../src/core/ground/files/reading/folder.ts";
import { temporaryFolder } from "../../../support/oxalis.ts";

const words = (count: number) => Array.from({ length: count }, (_, at) => `word${"abcde"[at % 5]}`).join(" ");

/** A picture as cameras make them: no two pixels alike. */
const photo = (width: number, height: number) =>
  sharp({
    create: { width, height, channels: 3, background: "#888", noise: { type: "gaussian", mean: 128, sigma: 40 } },
  });

test("photos, lists and longer texts are content; signs, settings, labels and what nobody sees are not", async () => {
  const root = temporaryFolder();
  const write = (file: string, bytes: string | Uint8Array) => {
    mkdirSync(dirname(join(root, file)), { recursive: true });
    writeFileSync(join(root, file), bytes);
  };
  const drawing = await sharp({ create: { width: 400, height: 400, channels: 3, background: "#0a0" } })
    .png()
    .toBuffer();
  write("www/pool.jpg", await photo(300, 200).jpeg().toBuffer());
  write("app/src/main/res/drawable-hdpi/hall.png", await photo(240, 240).png().toBuffer());
  write("app/src/main/res/drawable-xhdpi/hall.png", await photo(320, 320).png().toBuffer());
  write("www/thumb.jpg", await photo(80, 80).jpeg().toBuffer());
  write("www/plain.png", drawing);
  write("test/fixtures/pool.jpg", await photo(300, 200).jpeg().toBuffer());
  write(
    "www/lessons.json",
    '{ "lessons": [{ "title": "Otters", "text": "For small ones" }, { "title": "Seals at eight" }, { "title": "Big fish club" }] }',
  );
  write("www/routes.json", '[{ "name": "home", "path": "/" }, { "name": "about", "path": "/about" }]');
  write("package.json", '{ "name": "pools", "scripts": { "start": "vite dev server" } }');
  write("www/broken.json", '[{ "title": "Not closed');
  write("www/story.html", `<head><title>${words(90)}</title></head><body><script>${words(90)}</script><p>${words(70)}`);
  write("www/short.html", `<body><script>${words(90)}</script><p>${words(20)}`);
  write("assets/terms.md", words(45));
  write("README.md", words(400));
  write("docs/assets/guide.md", words(400));
  write(
    "app/src/main/res/values/texts.xml",
    `<resources><string name="a">Book</string><string name="b">${words(20)}</string></resources>`,
  );
  write("ios/en.lproj/Localizable.strings", '"book" = "Book a lesson";\n');
  const folder = openFolder(root);
  expect(contentOf(folder, folder.list()).map(({ file, kind, says }) => `${kind} ${file}: ${says}`)).toEqual([
    "photo app/src/main/res/drawable-hdpi/hall.png: 240 × 240 pixels",
    expect.stringMatching(/^text app\/src\/main\/res\/values\/texts\.xml: 20 words, beginning “worda wordb /),
    expect.stringMatching(/^text assets\/terms\.md: 45 words, /),
    "list www/lessons.json: 3 entries, such as “Otters”",
    "photo www/pool.jpg: 300 × 200 pixels",
    expect.stringMatching(/^text www\/story\.html: 70 words, /),
  ]);
});
