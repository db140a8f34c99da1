import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { createServer } from "node:http";
import type { AddressInfo } from "node:net";
import { join } from "node:path";
import type { Browser } from "playwright-core";
import sharp from "sharp";
import { afterAll, beforeAll, beforeEach, describe, expect, test } from "vitest";
import { parse } from "yaml";
import { type Board, boardOf } from "../support/board.ts";
import { openChromium } from "../support/chromium.ts";
import { historyOf } from "../support/history.ts";
import { edit, oxalis, startOxalis, temporaryFolder, workspaceWith } from "../support/oxalis.ts";
import { hasTool } from "../support/tools.ts";

const everybody = [
  "3-acre",
  "brennans-bothy",
  "ferme-duclos",
  "high-hedges",
  "orchard-lane",
  "root-and-leaf",
  "saltmarsh",
  "zelena-griadka",
];

describe("the board of the demo", () => {
  let all: Board[];
  beforeAll(() => {
    all = boardOf(workspaceWith(everybody));
  });
  const of = (key: string) => all.find(({ client }) => client === key) as Board;
  const open = (key: string) =>
    of(key).stores.map(({ lines }) =>
      lines.filter(({ state }) => state !== "given").map(({ field, state }) => `${field} ${state}`),
    );

  test("puts whoever is nearest to done first", () => {
    expect(all.map(({ client }) => client).slice(0, 3)).toEqual(["3-acre", "saltmarsh", "root-and-leaf"]);
    expect(all.at(-1)?.client).toBe("high-hedges");
  });

  test("has one client complete, and each other short of something else", () => {
    const isDone = ({ stores }: Board) => stores.every(({ required }) => required.done === required.total);
    // What the Microsoft Store assigns, the example's clients have not been given yet.
    expect(of("3-acre").stores.flatMap(({ problems }) => problems.map(({ code }) => code))).toEqual([
      "identity-derived",
    ]);
    expect(isDone(of("saltmarsh"))).toBe(true);
    expect(open("saltmarsh")[0]).toEqual(
      ["phone", "tags", "video", "deletion", "news"].map((field) => `${field} missing`),
    );
    expect(of("root-and-leaf").stores[0]?.problems.map(({ code }) => code)).toContain("platform-named");
    expect(open("high-hedges")[0]).toContain("privacy wrong");
    expect(open("orchard-lane")[0]).toContain("short wrong");
    expect(open("brennans-bothy")[1]).toEqual(expect.arrayContaining(["support missing", "description draft"]));
    expect(open("ferme-duclos")[0]).toContain("description draft");
    expect(of("zelena-griadka").stores.map(({ store }) => store)).toEqual(["google-play", "app-store"]);
    expect(of("zelena-griadka").problems.map(({ code }) => code)).toEqual(["waiver-ended"]);
  });
});

describe("one client's record", () => {
  let folder: string;
  beforeEach(() => {
    folder = workspaceWith(["3-acre", "brennans-bothy"]);
  });
  const states = (field: string) =>
    boardOf(folder, "brennans-bothy")[0]?.stores.map(({ lines }) => lines.find((each) => each.field === field)?.state);

  test("texts may lie beside the brief, and what a group or the defaults say holds for all", () => {
    mkdirSync(join(folder, "clients/brennans-bothy/store"));
    const beside = "clients/brennans-bothy/store/en.yaml";
    writeFileSync(join(folder, beside), "description: |\n  Oats, cheese\n  and a card.\nkeywords: [oats, cheese]\n");
    expect(states("description")).toEqual(["given", "given", "given"]);
    const { out } = oxalis(folder, "explain", "brennans-bothy", "store.description");
    expect(out).toMatch(/given beside the brief {2}clients\/brennans-bothy\/store\/en\.yaml:1:14/);
    expect(states("price")).toEqual(["given", "given", "given"]);
    edit(folder, "oxalis.yaml", (text) => text.replace("    price: free\n", ""));
    expect(states("price")).toEqual(["missing", "missing", "missing"]);
  });

  test("a text beside the brief that holds what cannot be shown, or is not UTF-8, is told and not taken", () => {
    const file = "clients/brennans-bothy/store/en.yaml";
    mkdirSync(join(folder, "clients/brennans-bothy/store"));
    const told = (content: string | Buffer) => {
      writeFileSync(join(folder, file), content);
      return boardOf(folder, "brennans-bothy")[0]?.problems.find(
        ({ message, place }) => place?.file === file || message.startsWith(file),
      );
    };
    expect(told("\ufeffdescription: |\r\n  Oats and cheese.\r\n  Weekly.\r\n")).toBeUndefined();
    expect(states("description")).toEqual(["given", "given", "given"]);
    expect(told("description: Oats \u{1f33e} and \u202echeese\n")).toMatchObject({ code: "text-invalid" });
    expect(told("descripton: Oats\n")).toMatchObject({ code: "key-unknown", place: { file, line: 1 } });
    expect(told(Buffer.from("short: Bóthy", "utf16le"))).toMatchObject({ code: "file-unreadable" });
    expect(told(`description: ${"x".repeat(10_000_000)}`)).toMatchObject({ code: "file-too-large" });
    expect(states("description")).toContain("draft");
  });

  test("a platform that a client does not want is no finding, of its identifier nor of its store", () => {
    edit(folder, "clients/3-acre/brief.yaml", (text) => `${text}identifiers: { windows: x }\n`);
    expect(oxalis(folder, "check", "3-acre").err).toContain('Windows does not accept the identifier "x"');
    edit(folder, "clients/3-acre/brief.yaml", (text) => `${text}platforms: [android, web]\n`);
    expect(oxalis(folder, "check", "3-acre")).toMatchObject({ code: 0, err: "" });
    expect(boardOf(folder, "3-acre")[0]?.stores.map(({ store }) => store)).toEqual(["google-play"]);
  });

  test("nor are limits of platforms and stores that it does not want", () => {
    const told = (brief: string) => {
      const before = readFileSync(join(folder, "clients/3-acre/brief.yaml"), "utf8");
      const name = before
        .replace(/^( +name:).*$/m, "$1 Three Acre Greens and Everything That Grows")
        .replace(/^identifiers:[\s\S]*?(?=^\S)/m, "");
      writeFileSync(join(folder, "clients/3-acre/brief.yaml"), `${name}${brief}`);
      const { err } = oxalis(folder, "check", "3-acre");
      writeFileSync(join(folder, "clients/3-acre/brief.yaml"), before);
      return [...err.matchAll(/\[(name-invalid|version-invalid)\]/g)].map(([, code]) => code);
    };
    expect(told("platforms: [windows, web]\n")).toEqual([]);
    expect(told("platforms: [android]\n")).toEqual(["name-invalid"]);
    expect(told("platforms: [web]\nbuild: 70000\nversion: 0.1.0\n")).toEqual([]);
    expect(told("platforms: [windows, web]\nbuild: 70000\n")).toEqual(["version-invalid"]);
    expect(told("platforms: [windows, web]\nversion: 0.1.0\n")).toEqual(["version-invalid", "version-invalid"]);
    expect(told("platforms: [web]\nversion: '1.0'\n")).toEqual(["version-invalid"]);
  });

  test("a group may say which platforms its clients want; of the agency's, that is", () => {
    edit(
      folder,
      "oxalis.yaml",
      (text) => `${text}\ngroups: { paper: { platforms: [android] }, seaside: { platforms: [desktop] } }\n`,
    );
    const grouped = (group: string) =>
      edit(folder, "clients/3-acre/brief.yaml", (text) => `groups: [${group}]\n${text.replace(/^groups:.*\n/m, "")}`);
    grouped("paper");
    expect(boardOf(folder, "3-acre")[0]?.stores.map(({ store }) => store)).toEqual(["google-play"]);
    grouped("seaside");
    const { err } = oxalis(folder, "check", "3-acre");
    expect(err).toContain("The agency makes no app for Desktop.  [platform-unused]");
    expect(err).toMatch(/oxalis\.yaml:\d+:\d+[\s\S]*one of android, ios, windows, web/);
  });

  test("goes into the usual stores of its platforms, or into those that are named", () => {
    mkdirSync(join(folder, "template/desktop"));
    writeFileSync(join(folder, "template/desktop/build.json"), '{ "appId": "a.b.c", "productName": "Crate" }\n');
    edit(folder, "oxalis.yaml", (text) => text.replace("ios, windows", "ios, desktop, windows"));
    const wanted = () => boardOf(folder, "3-acre")[0]?.stores.map(({ store }) => store);
    expect(wanted()).toEqual(["google-play", "app-store", "microsoft-store"]);
    edit(folder, "clients/3-acre/brief.yaml", (text) =>
      text.replace("store:\n", "store:\n  in: [mac-app-store, google-play]\n"),
    );
    expect(wanted()).toEqual(["google-play", "mac-app-store"]);
    edit(folder, "clients/3-acre/brief.yaml", (text) => text.replace("mac-app-store", "macappstore"));
    expect(oxalis(folder, "check", "3-acre").err).toContain("one of google-play, app-store, mac-app-store");
  });

  test("a terminal shows the board in the agency's language, and each finding whole in the one of all commands", () => {
    const said = oxalis(folder, "board", "brennans-bothy", "--language", "fr", "--verbose");
    expect(said.out).toMatch(/^client +Google Play .*\nbrennans-bothy +\d+ sur \d+/);
    expect(said.out).toMatch(/\n {2}.* \((production|client)\)\n/);
    expect(said.out).toContain("1 client, 0 au complet pour chaque store.");
    expect(said.out).not.toMatch(/ is | wants |nobody/);
    expect(said.err).toMatch(/^error {2}.*\[record-missing\]$/m);
    const agency = readFileSync(join(folder, "oxalis.yaml"));
    edit(folder, "oxalis.yaml", (text) => text.replace(/^agency:\n/m, "agency:\n  language: de\n"));
    expect(oxalis(folder, "board", "3-acre").out).toContain("3-acre  vollständig");
    writeFileSync(join(folder, "oxalis.yaml"), agency);
  });

  test("a brief with errors stands on the board with its record; one that cannot be read, last, with what is wrong", () => {
    edit(folder, "clients/3-acre/brief.yaml", (text) => text.replace("domain: 3acre.example\n", ""));
    const { code, out } = oxalis(folder, "board");
    expect(code).toBe(1);
    expect(out).toMatch(/^3-acre +34 of 34 .*\n {2}domain is missing: web domain\. \(client\)$/m);
    expect(out).toContain("2 clients, 0 complete for every store.");
    writeFileSync(join(folder, "clients/3-acre/brief.yaml"), "app: [\n");
    // Last, since nobody knows what it lacks.
    expect(oxalis(folder, "board").out).toMatch(/\n3-acre +unknown +unknown +unknown\n {2}\S.*\n\n2 clients/);
  });

  test("every value has its trail: the brief, the defaults, a draft, what was derived", () => {
    const { out } = oxalis(folder, "explain", "brennans-bothy", "store");
    expect(out).toMatch(/store\.price {2}free.*\n +the agency's default for all {2}oxalis\.yaml:\d+:\d+/);
    expect(out).toMatch(/store\.marketing {2}https:.*\n +given in the brief/);
    expect(out).toMatch(/store\.short {2}Boxes from Bóthy Box.*\n +a draft that nobody has approved {2}oxalis\.yaml:/);
    expect(out).toMatch(/store\.privacy {2}https:\/\/brennans\.example\/privacy\.html.*\n +the policy that is made/);
    expect(out).toMatch(/store\.copyright {2}2026 Brennán/);
    expect(oxalis(folder, "explain", "brennans-bothy", "store.nothing").code).toBe(2);
  });

  test("a draft is no text until somebody has approved it, and is open again when it changes", () => {
    expect(oxalis(folder, "approve", "brennans-bothy", "--dry-run").out).toContain("2 drafts to approve.");
    for (const [by, why] of [
      ["", "nobody is named"],
      ["Ma\u0007ra", "control character"],
      ["Ma\nra", "line end"],
    ])
      expect(oxalis(folder, "approve", "brennans-bothy", "--by", by as string)).toMatchObject({
        code: 1,
        err: expect.stringMatching(`${why}[\\s\\S]*\\[approve-refused\\]`),
      });
    expect(oxalis(folder, "approve", "brennans-bothy").err).toContain("[approve-refused]");
    expect(oxalis(folder, "approve", "--by", "Mara").err).toContain("It is not said which clients.");
    expect(existsSync(join(folder, "clients/brennans-bothy/history"))).toBe(false);
    expect(states("description")).toContain("draft");
    expect(oxalis(folder, "approve", "brennans-bothy", "--by", "Mara", "--field", "descripton").err).toContain(
      '"description"',
    );
    expect(oxalis(folder, "approve", "brennans-bothy", "--by", "Mara").out).toContain("2 drafts approved by Mara.");
    expect(states("description")).toEqual(["given", "given", "given"]);
    const { approved } = historyOf(folder, "brennans-bothy");
    expect(approved["description.en"]).toMatchObject({ by: "Mara", sha256: expect.stringMatching(/^[0-9a-f]{64}$/) });
    edit(folder, "oxalis.yaml", (text) => text.replaceAll("to choose from", "to pick from"));
    expect(states("description")).toContain("draft");
    expect(states("short")?.[0]).toBe("given");
  });

  test("what was approved or asked is never made anew over a damaged file, and other clients go on", () => {
    const folder = workspaceWith(["brennans-bothy", "orchard-lane"]);
    const damaged = (key: string, file: string) => {
      writeFileSync(join(folder, `clients/${key}/${file}`), '{\n  "form": 1,\n<<<<<<< ours\n');
      return () => readFileSync(join(folder, `clients/${key}/${file}`), "utf8");
    };
    const approved = damaged("brennans-bothy", "approved.json");
    const asked = damaged("brennans-bothy", "asked.json");
    const board = boardOf(folder, "brennans-bothy")[0];
    expect(board?.problems.filter(({ code }) => code === "history-damaged")).toHaveLength(2);
    expect(board?.stores[0]?.lines.find(({ field }) => field === "description")?.state).toBe("draft");
    const call = oxalis(folder, "approve", "brennans-bothy", "orchard-lane", "--by", "Mara");
    expect(call.code).toBe(1);
    expect(call.err).toMatch(/\[history-damaged\]\n +clients\/brennans-bothy\/approved\.json:\d/);
    expect(call.out).not.toContain("brennans-bothy");
    expect(Object.keys(historyOf(folder, "orchard-lane").approved)).not.toEqual([]);
    const letter = oxalis(folder, "ask", "brennans-bothy", "orchard-lane");
    expect(letter.code).toBe(1);
    expect(letter.err).toMatch(/\[history-damaged\]\n +clients\/brennans-bothy\/asked\.json:\d/);
    expect(readdirSync(join(folder, "letters")).sort()).toEqual([
      "orchard-lane.html",
      "orchard-lane.txt",
      "orchard-lane.xlsx",
    ]);
    for (const file of [approved, asked]) expect(file()).toContain("<<<<<<< ours");
  });

  test("the texts lie in the variant as files, the same every time, and are audited as all else", () => {
    expect(oxalis(folder, "generate", "-q").code).toBe(0);
    const textsIn = (file: string) => parse(readFileSync(join(folder, "variants", file), "utf8"));
    const own = textsIn("3-acre/store/app-store/en.yaml");
    expect(Object.keys(own)).toEqual([
      "name",
      "subtitle",
      "promotional",
      "description",
      "keywords",
      "news",
      "captures",
    ]);
    expect(own.keywords).toBe("vegetables,organic,delivery,farm,season");
    expect(textsIn("3-acre/store/microsoft-store/en.yaml").keywords).toBe(
      "vegetables\norganic\ndelivery\nfarm\nseason",
    );
    // A draft is nobody's word.
    expect(textsIn("brennans-bothy/store/google-play/en.yaml")).not.toHaveProperty("description");
    edit(folder, "variants/3-acre/store/app-store/en.yaml", (text) => text.replace("vegetables,", ""));
    expect(oxalis(folder, "audit", "3-acre").code).toBe(1);
    expect(oxalis(folder, "generate", "3-acre", "-q").code).toBe(0);
    expect(oxalis(folder, "audit", "3-acre").code).toBe(0);
  });

  test("questions are answered once; a feature leaves one right answer, and what denies it is an error", () => {
    const answer = (name: string) =>
      JSON.parse(oxalis(folder, "board", "3-acre", "--json").out).clients[0].stores[0].answers.find(
        (each: { name: string }) => each.name === name,
      );
    expect(answer("data")).toMatchObject({ answer: "device-id: function" });
    const brief = "clients/3-acre/brief.yaml";
    edit(folder, brief, (text) => text.replace("store:\n", "store:\n  declares: { advertising: yes, voice: no }\n"));
    expect(answer("advertising")).toMatchObject({ answer: "yes" });
    expect(boardOf(folder, "3-acre")[0]?.problems.map(({ message }) => message)).toEqual([
      'No question is called "voice".',
    ]);
    edit(folder, brief, (text) => text.replace(", voice: no", ""));
    edit(folder, "template.yaml", (text) => `${text}\nfeatures: { camera: { says: Photos of the crate } }\n`);
    edit(folder, brief, (text) => `${text}features: { camera: { usage: To show your crate } }\n`);
    // What stays on the device is not collected.
    expect(answer("data")).toMatchObject({ answer: "device-id: function" });
    edit(folder, "template.yaml", (text) => text.replace("features: { ", "features: { analytics: { says: Visits }, "));
    edit(folder, brief, (text) => text.replace("features: { ", "features: { analytics: true, "));
    const [own] = boardOf(folder, "3-acre");
    expect(own?.problems.map(({ code }) => code)).toContain("declaration-contradicted");
    edit(folder, "template.yaml", (text) => text.replace("  data:", "  data:\n    interactions: [linked, analytics]"));
    expect(boardOf(folder, "3-acre")[0]?.problems.map(({ code }) => code)).not.toContain("declaration-contradicted");
    edit(folder, "template.yaml", (text) => text.replace("  encryption: exempt\n", ""));
    expect(boardOf(folder, "3-acre")[0]?.stores[1]?.problems.map(({ message }) => message)).toEqual([
      "App Store asks what nobody has answered: encryption.",
    ]);
    // A purpose that one store has and another has not.
    edit(folder, "template.yaml", (text) =>
      text.replace("[linked, analytics]", "[linked, analytics]\n    crashes: other"),
    );
    expect(boardOf(folder, "3-acre")[0]?.stores.map(({ problems }) => problems.map(({ code }) => code))).toEqual([
      ["declaration-invalid"],
      ["declaration-missing"],
      expect.not.arrayContaining(["declaration-invalid"]),
    ]);
  });

  test("a policy is made for whoever names none, as text and as a page; names in it are no markup", () => {
    edit(folder, "clients/brennans-bothy/brief.yaml", (text) =>
      text.replace("owner: Brennán & Daughters", "owner: Brennán <b>&</b> Co"),
    );
    expect(oxalis(folder, "generate", "-q").code).toBe(0);
    const page = readFileSync(join(folder, "variants/brennans-bothy/web/privacy.html"), "utf8");
    expect(page).toContain("<h1>Privacy in Brennán&#39;s Bóthy Box</h1>");
    expect(page).toContain("is run by Brennán &lt;b&gt;&amp;&lt;/b&gt; Co.");
    expect(readFileSync(join(folder, "variants/brennans-bothy/store/policy/en.md"), "utf8")).toMatch(/^# Privacy in /);
    expect(existsSync(join(folder, "variants/3-acre/web/privacy.html"))).toBe(false);
    expect(oxalis(folder, "audit").code).toBe(0);
    edit(folder, "oxalis.yaml", (text) => text.replace(/^policy:[\s\S]*?(?=^# Forms)/m, ""));
    const [own] = boardOf(folder, "brennans-bothy");
    expect(own?.problems.map(({ code }) => code)).toContain("policy-missing");
  });

  test("a number is taken for what is proven; what a store would still refuse is told, and waits for nothing", () => {
    oxalis(folder, "generate", "-q");
    const released = (key: string) => {
      const { releases, identifiers } = historyOf(folder, key);
      const fixed = Object.keys(identifiers).filter((platform) => identifiers[platform]?.fixed);
      return { fixed, for: releases.map(({ platforms }) => platforms) };
    };
    const web = oxalis(folder, "release", "brennans-bothy", "--platform", "web", "--note", "First boxes");
    expect(web.out).toMatch(/brennans-bothy +first release: 1\.0\.0 build 1 for Web /);
    expect(released("brennans-bothy")).toEqual({ fixed: ["web"], for: [["web"]] });
    const told = oxalis(folder, "release", "3-acre");
    expect([told.code, told.err]).toEqual([0, ""]);
    expect(released("3-acre")).toEqual({
      fixed: ["android", "ios", "web", "windows"],
      for: [["android", "ios", "windows", "web"]],
    });
    // What changed stands in the variant, too.
    oxalis(folder, "generate", "brennans-bothy", "-q");
    const open = oxalis(folder, "release", "brennans-bothy", "--rebuild", "--platform", "android");
    expect(open).toMatchObject({ code: 0, out: expect.stringContaining("1.0.0 build 1 → 1.0.0 build 2 for Android") });
    expect(open.err).toMatch(/warning {2}brennans-bothy, Google Play: .*And \d more\..*\[release-incomplete\]/);
    // The same version says what it said.
    expect(historyOf(folder, "brennans-bothy").releases.at(-1)?.notes).toEqual({ en: "First boxes" });
    expect(released("brennans-bothy")).toEqual({ fixed: ["android", "web"], for: [["web"], ["android"]] });
    oxalis(folder, "release", "brennans-bothy", "--take-back");
    expect(released("brennans-bothy")).toEqual({ fixed: ["web"], for: [["web"]] });
    expect(oxalis(folder, "release", "3-acre", "--patch", "--platform", "desktop").err).toContain("[release-refused]");
    // A client with errors is told, and stops no other.
    edit(folder, "clients/brennans-bothy/brief.yaml", (text) => text.replace("domain: brennans.example\n", ""));
    const others = oxalis(folder, "release", "*", "--patch", "--force");
    expect(others).toMatchObject({ code: 1, out: expect.stringContaining("3-acre  1.0.0 build 1 → ") });
    expect(others.err).toContain("domain is missing");
  });

  test("codes of a client's own accounts are asked for with the steps to share it, and are nobody else's", () => {
    const own = (key: string, accounts: string) =>
      edit(folder, `clients/${key}/brief.yaml`, (text) =>
        text.replace("store:\n", `store:\n  accounts: { ${accounts} }\n`),
      );
    own("3-acre", "whose: client, app: '1234567890'");
    own("brennans-bothy", "app: '1234567890'");
    const codes = (key: string) =>
      boardOf(folder, key).flatMap(({ stores, problems }) =>
        [...problems, ...stores.flatMap((each) => each.problems)].map(({ code }) => code),
      );
    expect(codes("3-acre").filter((code) => code !== "identity-derived")).toEqual(Array(6).fill("account-missing"));
    expect(codes("brennans-bothy")).toContain("account-shared");
    const { out } = oxalis(folder, "ask", "3-acre", "--dry-run");
    expect(out.replace(/\s+/g, " ")).toContain("with the role App Manager, and invite studio@lanternfield.example");
    edit(folder, "clients/3-acre/brief.yaml", (text) =>
      text.replace("whose: client, app: '1234567890'", "issuer: lanternfield"),
    );
    expect(oxalis(folder, "check", "3-acre").err).toContain("an issuer ID, such as");
  });

  test("pictures of the running app are held against each store, put in order, and lose their alpha channel", async () => {
    const captures = join(folder, "clients/3-acre/captures");
    const phone = async (name: string, width: number, height: number) =>
      sharp({ create: { width, height, channels: 4, background: { r: 9, g: 99, b: 9, alpha: 0.5 } } })
        .png()
        .toFile(join(captures, "phone/en", name));
    await phone("a first.png", 1080, 1920);
    expect(oxalis(folder, "generate", "3-acre", "-q").code).toBe(0);
    const made = join(folder, "variants/3-acre/store/google-play");
    const { captures: shown } = parse(readFileSync(join(made, "en.yaml"), "utf8"));
    expect(shown).toEqual({ phone: ["phone-a-first.en.png", "phone-boxes.en.png", "phone-packed.en.png"] });
    expect(readdirSync(made)).toEqual(["en.yaml", "feature-graphic.en.png", "icon.png", ...shown.phone]);
    expect(await sharp(join(made, "phone-a-first.en.png")).metadata()).toMatchObject({
      width: 1080,
      height: 1920,
      hasAlpha: false,
    });
    await phone("9-wide.png", 4000, 1000);
    const [own] = boardOf(folder, "3-acre");
    expect(own?.stores[0]?.problems.map(({ message }) => message)).toEqual([
      "clients/3-acre/captures/phone/en/9-wide.png is 4000 × 1000.",
    ]);
    rmSync(join(captures, "iphone"), { recursive: true });
    expect(boardOf(folder, "3-acre")[0]?.stores[1]?.problems.map(({ message }) => message)).toEqual([
      'App Store wants 1 of "iPhone 6.9″ or 6.5″ screenshots": there are 0.',
    ]);
  });

  test("what only begins as a picture is none; of very many, those that are looked at are told; former places are read", async () => {
    const phone = join(folder, "clients/3-acre/captures/phone/en");
    const [boxes, packed] = ["boxes.png", "packed.png"].map((name) => readFileSync(join(phone, name)));
    // The head of a picture of the right size, and nothing behind it; the same with an end that comes too early.
    writeFileSync(join(phone, "boxes.png"), boxes?.subarray(0, 60) ?? "");
    const end = packed?.subarray(-12) ?? Buffer.alloc(0);
    writeFileSync(join(phone, "packed.png"), Buffer.concat([packed?.subarray(0, 33) ?? end, end]));
    const play = () => boardOf(folder, "3-acre")[0]?.stores[0];
    expect(play()?.captures[0]).toMatchObject({ count: 0, isDone: false });
    expect(play()?.problems.map(({ message }) => message)).toEqual([
      'Google Play wants 2 of "Phone screenshots": there are 0.',
      "clients/3-acre/captures/phone/en/boxes.png is no picture.",
      "clients/3-acre/captures/phone/en/packed.png is no picture.",
    ]);
    for (let at = 0; at < 504; at++) writeFileSync(join(phone, `${at + 100}.png`), "no picture");
    expect(boardOf(folder, "3-acre")[0]?.problems.map(({ message }) => message)).toEqual([
      "clients/3-acre/captures/phone/en/ holds 506 pictures; the last 456 are not looked at.",
    ]);
    rmSync(phone, { recursive: true });
    const former = join(folder, "clients/3-acre/store/en");
    mkdirSync(join(former, "captures/phone"), { recursive: true });
    for (const name of ["1", "2"]) writeFileSync(join(former, `captures/phone/${name}.png`), boxes ?? "");
    writeFileSync(join(former, "promotional.txt"), "Peas.\n");
    expect(play()?.captures[0]).toMatchObject({ count: 2, isDone: true });
    const told = boardOf(folder, "3-acre")[0]?.problems.map(({ code, severity }) => `${severity} ${code}`);
    expect(told).toEqual(["warning form-former", "warning form-former"]);
  });

  test("addresses are opened where that is asked for, and only then", async () => {
    const opened: string[] = [];
    const server = createServer((request, answer) => {
      opened.push(request.url ?? "");
      answer.writeHead(request.url === "/help" ? 200 : 404).end();
    });
    await new Promise<void>((ready) => server.listen(0, "127.0.0.1", ready));
    const { port } = server.address() as AddressInfo;
    edit(folder, "clients/3-acre/brief.yaml", (text) =>
      text.replaceAll("https://3acre.example", `http://127.0.0.1:${port}`),
    );
    const told = (...args: string[]) =>
      new Promise<string>((ended) => {
        const run = startOxalis(folder, "board", "3-acre", "--json", ...args);
        let out = "";
        run.stdout.on("data", (chunk) => {
          out += chunk;
        });
        run.once("close", () => ended(out));
      });
    expect(await told()).not.toContain("address-unreachable");
    expect(opened).toEqual([]);
    const { stores }: { stores: { problems: { code: string; message: string }[] }[] } = JSON.parse(
      await told("--reach"),
    ).clients[0];
    const found = stores.map(({ problems }) =>
      problems.flatMap(({ code, message }) => (code === "address-unreachable" ? [message] : [])),
    );
    // Each store tells what it asks for itself; none is complete with it.
    const [site, policy] = ["", "/privacy"].map((path) => `http://127.0.0.1:${port}${path} answers with 404.`);
    for (const each of found) expect(each).toEqual(expect.arrayContaining([policy]));
    expect(found.flat()).toContain(site);
    await new Promise((closed) => server.close(closed));
  });

  test("goods that fit together, and names that stores hold", () => {
    edit(folder, "clients/3-acre/brief.yaml", (text) =>
      text.replace(
        "store:\n",
        "store:\n  goods: [{ id: weekly, name: A crate a week, kind: subscription, price: 9 EUR }]\n" +
          "  reserved: [{ store: app-store, name: 3 Acre Greens, until: 2020-01-01 }]\n",
      ),
    );
    expect(boardOf(folder, "3-acre")[0]?.problems.map(({ message }) => message)).toEqual([
      'The goods "weekly" are a subscription without a duration.',
      'The name "3 Acre Greens" that App Store holds has lapsed on 2020-01-01.',
    ]);
  });

  test("a pattern of a draft that cannot be filled is told with its line, and stops nothing else", () => {
    edit(folder, "oxalis.yaml", (text) => text.replace("Boxes from {app.label}", "Boxes from {app.labl}"));
    const { code, err } = oxalis(folder, "board", "brennans-bothy", "-q");
    expect(code).toBe(1);
    expect(err).toMatch(/Nothing is called app_labl\.[\s\S]*oxalis\.yaml:\d+:\d+/);
    expect(oxalis(folder, "generate", "brennans-bothy", "-q").code).toBe(0);
  });
});

describe.runIf(hasTool("chromium"))("pages in Chromium", () => {
  let browser: Browser;
  const folder = workspaceWith(everybody);
  beforeAll(async () => {
    browser = await openChromium();
  });
  afterAll(() => browser?.close());

  test("the board filters, opens a client's sheet by keyboard, and fits a telephone", async () => {
    const file = join(temporaryFolder(), "board.html");
    oxalis(folder, "board", "--page", file);
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const asked: string[] = [];
    page.on("request", (request) => asked.push(request.url()));
    await page.goto(`file://${file}`);
    const shown = () => page.locator(".row:visible").count();
    expect(await shown()).toBe(8);
    await page.fill("[name=text]", "salt");
    expect(await shown()).toBe(1);
    await page.fill("[name=text]", "");
    await page.selectOption("[name=state]", "done");
    expect(await shown()).toBe(3);
    await page.selectOption("[name=state]", "");
    await page.selectOption("[name=store]", "microsoft-store");
    expect(await shown()).toBe(7);
    await page.selectOption("[name=store]", "");
    await page.locator(".row", { hasText: "high-hedges" }).focus();
    await page.keyboard.press("Enter");
    const sheet = page.locator("dialog[open]");
    expect(await sheet.locator("h2").textContent()).toBe("High Hedges Farm");
    expect(await sheet.locator("tr", { hasText: "Privacy policy" }).first().textContent()).toContain("to be mended");
    expect(await sheet.textContent()).toContain("4000");
    await page.keyboard.press("Escape");
    expect(await sheet.count()).toBe(0);
    await page.setViewportSize({ width: 390, height: 800 });
    expect(await page.evaluate("document.documentElement.scrollWidth")).toBe(390);
    expect(asked).toHaveLength(1);
    await page.close();
  });

  test("a copy sheet copies what stands there, and keeps its ticks until the text changes", async () => {
    const file = join(temporaryFolder(), "copy.html");
    const written = () => oxalis(folder, "copy-sheet", "3-acre", "app-store", "-o", file);
    expect(written().code).toBe(0);
    const context = await browser.newContext({ permissions: ["clipboard-read", "clipboard-write"] });
    const page = await context.newPage();
    await page.goto(`file://${file}`);
    const titles = await page.locator(".item h2").allTextContents();
    expect(titles.slice(0, 4)).toEqual(["Identifier", "Name", "Subtitle", "SKU"]);
    const keywords = page.locator(".item", { hasText: "Keywords" });
    await keywords.locator("button").click();
    expect(await page.evaluate("navigator.clipboard.readText()")).toBe("vegetables,organic,delivery,farm,season");
    await keywords.locator("input").check();
    await page.locator(".item", { hasText: "Subtitle" }).locator("input").check();
    // A browser writes down in its own time what a page keeps.
    const kept = async () => {
      await page.reload();
      return page.locator("input:checked").count();
    };
    await expect.poll(kept, { timeout: 20_000 }).toBe(2);
    edit(folder, "clients/3-acre/brief.yaml", (text) => text.replace("delivery, farm", "delivery, river"));
    written();
    await page.goto(`file://${file}`);
    expect(await page.locator("input:checked").count()).toBe(1);
    // The line that the page gives keeps the ticks with the record: another browser has them too, while the text stays.
    const line = (await page.locator(".keep pre").textContent()) ?? "";
    expect(line).toMatch(/^oxalis copy-sheet 3-acre app-store --entered subtitle\.en:[0-9a-f]{12}$/);
    await context.close();
    expect(oxalis(folder, ...line.split(" ").slice(1), "-o", file).code).toBe(0);
    const other = await browser.newPage();
    const ticked = async () => {
      await other.goto(`file://${file}`);
      return [await other.locator("input:checked").count(), await other.locator(".keep").isHidden()];
    };
    expect(await ticked()).toEqual([1, true]);
    edit(folder, "clients/3-acre/brief.yaml", (text) => text.replace("subtitle: Crates", "subtitle: More crates"));
    written();
    expect(await ticked()).toEqual([0, true]);
    await other.close();
    for (const wrong of ["subtitle.en", "subtitle.en:12"])
      expect(oxalis(folder, "copy-sheet", "3-acre", "app-store", "--entered", wrong).err).toContain("entered-unclear");
    expect(oxalis(folder, "copy-sheet", "3-acre", "--entered", "nothing").err).toContain("one client and one store");
  });
});
