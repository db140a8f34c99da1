import { cpSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { expect, test } from "vitest";
import { expectClean, text, withClient } from "../support/around.ts";
import { contents, edit, oxalis } from "../support/oxalis.ts";

const questions = `features:
  camera: { starts: "off" }
  microphone: { starts: "off" }
  push: { starts: "off" }
questions:
  analytics:
    { asks: Analytics of the page, kind: identifier, form: web-measurement,
      fill: [{ file: web/settings.json, at: analytics }] }
  moorings:
    { asks: How many moorings, kind: number, least: 1, most: 40, fill: [{ file: web/settings.json, at: moorings }] }
  terms: { asks: Terms of use, kind: address, required: never, fill: [{ file: web/settings.json, at: terms }] }
  shore: { asks: Which shore, kind: choice, options: [north, south], required: never }
  harbour: { asks: Harbour master, kind: email, required: { answer: shore, is: north } }
  push-android:
    { asks: Push configuration, kind: file, form: push-android, required: { feature: push }, to: android/app/push.json }
collections:
  boats:
    asks: Boats for hire
    at-least: 2
    fields:
      title: { kind: text, longest: 30 }
      seats: { kind: number, least: 1 }
      photo: { kind: picture }
    to: web/boats
    index: web/boats/list.json
`;

const brief = `answers: { analytics: G-AB12CD34EF, moorings: 7, shore: north, harbour: master@brennan.example }
content:
  boats:
    - { title: The "Heron" & co, seats: 4, photo: boats/heron.jpg }
    - { title: Teal, seats: 2, photo: boats/teal.png }
`;

/** Photos, one of which says where it was taken. */
async function photos(client: string): Promise<void> {
  mkdirSync(join(client, "boats"), { recursive: true });
  const plain = sharp({ create: { width: 60, height: 40, channels: 3, background: "#336699" } });
  const place = {
    IFD3: { GPSLatitudeRef: "N", GPSLatitude: "51/1 30/1 0/1" },
    IFD0: { Copyright: "SECRETPLACE" },
  };
  await plain.clone().withExif(place).jpeg().toFile(join(client, "boats/heron.jpg"));
  await plain.png().toFile(join(client, "boats/teal.png"));
}

test("answers go where the template says, items are copied and listed, nothing of the template stays", async () => {
  const { root, variant } = await withClient("switches", questions, brief, photos);
  expectClean(root);
  expect(JSON.parse(text(variant, "web/settings.json"))).toEqual({
    analytics: "G-AB12CD34EF",
    moorings: 7,
    terms: "",
  });
  expect(JSON.parse(text(variant, "web/boats/list.json"))).toEqual([
    { title: 'The "Heron" & co', seats: 4, photo: "photo-1.jpg" },
    { title: "Teal", seats: 2, photo: "photo-2.png" },
  ]);
  const made = contents(variant);
  expect(made.has("android/app/push.json")).toBe(false);
  expect(made.has("web/boats/photo-1.png")).toBe(false);
  expect(made.get("web/boats/photo-1.jpg")?.includes("SECRETPLACE")).toBe(false);
  expect((await sharp(made.get("web/boats/photo-1.jpg")).metadata()).exif).toBeUndefined();

  cpSync(join(root, "clients/bothy/boats/teal.png"), join(root, "clients/bothy/boats/heron.png"));
  edit(root, "clients/bothy/brief.yaml", (written) => written.replace("heron.jpg", "heron.png"));
  expect(oxalis(root, "generate", "-v").out).toContain("removed     variants/bothy/web/boats/photo-1.jpg");
});

/** What is answered wrongly, and what the producer is told. */
const wrong: readonly (readonly [change: readonly [from: string, to: string], told: readonly string[]])[] = [
  [
    ["G-AB12CD34EF", "1:123:android:0a"],
    ["that is an app's ID for mobile analytics", "such as G-AB12CD34EF"],
  ],
  [
    ["moorings: 7", "moorings: 70"],
    ['moorings is "70"', "a whole number from 1 up to 40"],
  ],
  [["master@brennan.example", "master"], ["an e-mail address"]],
  [[", harbour: master@brennan.example", ""], ['"Harbour master" is not answered, since shore is answered']],
  [["shore: north", "shore: east"], ["one of north, south"]],
  [
    ["moorings: 7", "moorings: 7, mooring: 8"],
    ['No question is called "mooring"', '"moorings"'],
  ],
  [['title: The "Heron" & co', "title: The very long name of a very small boat"], ["at most 30 characters; it has 39"]],
  [
    ["    - { title: Teal, seats: 2, photo: boats/teal.png }\n", ""],
    ["Boats for hire: there are 1 of boats.", "at least 2"],
  ],
  [["seats: 2, ", ""], ["boats 2: seats is missing"]],
  [["boats/teal.png", "boats/../../other.png"], ["path-outside"]],
  [["boats/teal.png", "boats/no.png"], ["clients/bothy/boats/no.png is not there"]],
  [["boats/teal.png", "brief.yaml"], ["is not the picture that its name says"]],
  [["answers:", "features: { push: on }\nanswers:"], ['"Push configuration" is not answered, since push is on']],
  [
    ["moorings: 7", "moorings: 7, push-android: push.json"],
    ["is for example.other.app, not for this client", "example.brennan"],
  ],
];

test("an answer that is wrong is told with its line, what was expected, and an example", async () => {
  const { root } = await withClient("switches", questions, brief, async (client) => {
    await photos(client);
    writeFileSync(join(client, "push.json"), '{"client":[{"package_name": "example.other.app"}]}');
  });
  for (const [[from, to], told] of wrong) {
    const before = readFileSync(join(root, "clients/bothy/brief.yaml"));
    edit(root, "clients/bothy/brief.yaml", (written) => written.replace(from, to));
    const { code, err } = oxalis(root, "check", "-q");
    expect([from, code]).toEqual([from, 1]);
    for (const each of told) expect(err).toContain(each);
    expect(err).toMatch(/clients\/bothy\/brief\.yaml:\d+:\d+/);
    writeFileSync(join(root, "clients/bothy/brief.yaml"), before);
  }
});
