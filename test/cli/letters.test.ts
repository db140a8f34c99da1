import { readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import type { AddressInfo } from "node:net";
import { join } from "node:path";
import sharp from "sharp";
import { SMTPServer } from "smtp-server";
import { beforeEach, describe, expect, test } from "vitest";
import { csvText, readSheet } from "../../src/core/clients/roster/sheet.ts";
import { boardOf } from "../support/board.ts";
import { edit, oxalis, startOxalis, workspaceWith } from "../support/oxalis.ts";

describe("a letter", () => {
  let folder: string;
  beforeEach(() => {
    folder = workspaceWith(["3-acre", "brennans-bothy", "ferme-duclos"]);
  });
  const into = () => join(folder, "letters");

  test("asks for what the client alone can supply, in its language, with limits, and for nothing that is there", () => {
    expect(oxalis(folder, "ask", "--until", "2026-12-18").code).toBe(0);
    expect(readdirSync(into()).sort()).toEqual([
      "brennans-bothy.html",
      "brennans-bothy.txt",
      "brennans-bothy.xlsx",
      "ferme-duclos.html",
      "ferme-duclos.txt",
      "ferme-duclos.xlsx",
    ]);
    const [english, french] = ["brennans-bothy", "ferme-duclos"].map((key) =>
      readFileSync(join(into(), `${key}.txt`), "utf8"),
    );
    expect(english).toMatch(/^Hello,\n[\s\S]*by 18\s+December 2026\.[\s\S]*- Page where people find help/);
    expect(french).toMatch(/^Bonjour,\n[\s\S]*18\s+décembre 2026/);
    // A draft is for the producer to read, and the website is there.
    for (const others of ["Description:", "Your website", "privacy policy", "stock code"])
      expect(english).not.toContain(others);
    expect(Math.max(...(english ?? "").split("\n").map((line) => line.length))).toBeLessThanOrEqual(76);
    expect(oxalis(folder, "ask", "--until", "tomorrow").err).toContain('"tomorrow" is no day');
  });

  test("comes with a sheet that import takes back", () => {
    oxalis(folder, "ask", "brennans-bothy", "--into", "letters");
    const headings = oxalis(folder, "import", "letters/brennans-bothy.xlsx", "--dry-run", "--json").out;
    expect(JSON.parse(headings)).toMatchObject({ unknown: [], refused: [], clients: [] });
    const filled =
      "client,store.privacy,store.support,store.texts.en.short,store.texts.en.highlights\n" +
      'brennans-bothy,https://brennans.example/privacy,https://brennans.example/help,Oats in a box.,"See it, choose it"\n';
    writeFileSync(join(folder, "back.csv"), filled);
    expect(oxalis(folder, "import", "back.csv").code).toBe(0);
    const [own] = boardOf(folder, "brennans-bothy");
    const state = (field: string) =>
      own?.stores.flatMap(({ lines }) => lines.filter((each) => each.field === field).map((each) => each.state));
    expect(state("privacy")).toEqual(["given", "given", "given"]);
    expect(state("short")).toEqual(["given", "given"]);
    expect(state("highlights")).toEqual(["given"]);
    oxalis(folder, "ask", "brennans-bothy", "--into", "again");
    expect(readFileSync(join(folder, "again/brennans-bothy.txt"), "utf8")).not.toContain("find help");
  });

  test("comes in a further language with the agency's words; a fault in them is told, and stops no other client", () => {
    edit(folder, "clients/brennans-bothy/brief.yaml", (text) => `locale: it\n${text}`);
    const letter = () => oxalis(folder, "ask", "--dry-run");
    expect(letter().out).toContain("Hello,");
    expect(oxalis(folder, "ask", "--new-words", "IT").out).toContain("words/it.yaml");
    edit(folder, "words/it.yaml", (text) => text.replace("Hello,", "Buongiorno,"));
    expect(letter().out).toMatch(/Buongiorno,[\s\S]* 10 dicembre 2026|Buongiorno,[\s\S]* \d+ \w+ \d{4}/);
    expect(oxalis(folder, "ask", "--new-words", "it").err).toContain("words/it.yaml is there already.");
    edit(folder, "words/it.yaml", (text) => text.replace("{before}", "{prima}").replace("thanks:", "thank:"));
    const broken = letter();
    expect(broken.code).toBe(1);
    expect(broken.err.match(/words\/it\.yaml:\d+:\d+/g)).toHaveLength(3);
    expect(broken.err).toContain("no names in braces but name, before, until");
    expect(broken.err).toContain('expected  "thanks"');
    expect(broken.out).toContain("Bonjour,");
    writeFileSync(join(folder, "words/it.yaml"), 'subject: "Hill\\nBcc: other@else.example"\n');
    expect(oxalis(folder, "ask", "brennans-bothy", "--dry-run").err).toContain("is U+000A, a line end");
    expect(oxalis(folder, "ask", "--language", "pt").err).toContain('There are no words in "pt".');
  });

  test('goes out by mail, is remembered, and says "still" the next time', async () => {
    const got: { to: string[]; data: string }[] = [];
    const server = new SMTPServer({
      authOptional: false,
      disabledCommands: ["STARTTLS"],
      onAuth: ({ username, password }, _, done) =>
        username === "studio" && password === "pass-of-the-server"
          ? done(null, { user: username })
          : done(new Error("refused")),
      onData(stream, session, done) {
        let data = "";
        stream.on("data", (chunk: Buffer) => {
          data += chunk.toString();
        });
        stream.on("end", () => {
          got.push({ to: session.envelope.rcptTo.map(({ address }) => address), data });
          done();
        });
      },
    });
    await new Promise<void>((ready) => server.listen(0, "127.0.0.1", ready));
    const { port } = server.server.address() as AddressInfo;
    const ask = (password: string, ...args: string[]) =>
      new Promise<{ code: number | null; said: string }>((ended) => {
        const env = { OXALIS_SMTP: `smtp://studio@127.0.0.1:${port}`, OXALIS_SMTP_PASSWORD: password };
        Object.assign(process.env, env);
        const run = startOxalis(folder, "ask", "brennans-bothy", ...args);
        for (const name of Object.keys(env)) delete process.env[name];
        let said = "";
        for (const stream of [run.stdout, run.stderr]) stream.on("data", (chunk) => (said += chunk));
        run.once("close", (code) => ended({ code, said }));
      });
    const dry = await ask("pass-of-the-server", "--send", "--dry-run");
    expect(dry.said).toContain("to hello@brennans.example");
    expect(got).toHaveLength(0);
    const refused = await ask("wrong-pass", "--send");
    expect(refused.code).toBe(1);
    expect(refused.said).toContain("[mail-refused]");
    expect(refused.said).not.toContain("wrong-pass");
    const sent = await ask("pass-of-the-server", "--send");
    expect(sent.said).toContain("1 letter sent");
    expect(got[0]?.to).toEqual(["hello@brennans.example"]);
    expect(got[0]?.data).toMatch(/^Subject: .*Brenn=C3=A1n[\s\S]*filename=brennans-bothy\.xlsx/m);
    expect(boardOf(folder, "brennans-bothy")[0]?.asked).toMatch(/^\d{4}-\d{2}-\d{2}$/);
    const again = await ask("pass-of-the-server", "--dry-run");
    expect(again.said).toContain("some things are still missing");
    expect(again.said).toContain("[still]");
    await new Promise<void>((closed) => server.close(closed));
    expect((await ask("x", "--send", "--again")).said).toContain("[mail-refused]");
  });

  test("asks for the brief's own matters and the template's questions too, in a sheet that import takes back", async () => {
    const own = workspaceWith(["brennans-bothy", "ferme-duclos"]);
    edit(own, "template.yaml", (text) =>
      text.concat(
        "questions:\n  hours:\n    asks: { en: When are you open?, fr: Quand ouvrez-vous ? }\n    kind: text\n",
      ),
    );
    edit(own, "clients/brennans-bothy/brief.yaml", (text) => text.replace("domain: brennans.example\n", ""));
    oxalis(own, "ask", "--into", "letters");
    const letter = (key: string) => readFileSync(join(own, "letters", `${key}.txt`), "utf8");
    expect(letter("brennans-bothy")).toMatch(
      /Addresses\n[\s\S]*- Your web domain\n[\s\S]*Answers\n- When are you open\?\n/,
    );
    expect(letter("ferme-duclos")).toContain("- Quand ouvrez-vous ?\n");
    const { sheet } = await readSheet(join(own, "letters"), "brennans-bothy.xlsx");
    const answers: Record<string, string> = { domain: "brennans.example", "answers.hours": "9 to 5" };
    const filled = sheet.map((row) => {
      const field = row.at(-1)?.split("/")[1] ?? "";
      return row.map((cell, column) => (column === 1 ? (answers[field] ?? cell) : cell));
    });
    expect(filled.flat()).toEqual(expect.arrayContaining([...Object.values(answers), "brennans-bothy/store.support"]));
    writeFileSync(join(own, "back.csv"), csvText(filled));
    expect(oxalis(own, "import", "back.csv")).toMatchObject({ code: 0 });
    oxalis(own, "ask", "--into", "letters");
    expect(letter("brennans-bothy")).not.toMatch(/web domain|open\?/);
    expect(letter("brennans-bothy")).toContain("Page where people find help");
  });

  test("tells no client of another, and asks for no picture that only a designer can judge", () => {
    const own = workspaceWith(["brennans-bothy", "ferme-duclos"]);
    edit(own, "clients/ferme-duclos/brief.yaml", (text) => text.replace(/^( +name:).*$/m, "$1 Brennán's Bóthy Box"));
    writeFileSync(join(own, "clients/ferme-duclos/art/logo.svg"), "<svg");
    edit(own, "clients/ferme-duclos/brief.yaml", (text) => text.replace(/^( +mark:).*$/m, "$1 art/logo.svg"));
    const { out } = oxalis(own, "ask", "ferme-duclos", "--dry-run");
    expect(out.replace(/\s+/g, " ")).toContain("une autre application porte déjà ce nom");
    expect(out.replace(/\s+/g, " ")).toContain("(logo.svg: impossible à ouvrir");
    expect(out).not.toMatch(/brennans|contrast|\.svg is /);
  });

  test("is written from right to left in a language that is", () => {
    const own = workspaceWith(["brennans-bothy"]);
    oxalis(own, "ask", "--new-words", "ar");
    edit(own, "words/ar.yaml", (text) => text.replace("Hello,", "مرحبا،"));
    oxalis(own, "ask", "--language", "ar", "--into", "letters");
    const html = readFileSync(join(own, "letters/brennans-bothy.html"), "utf8");
    expect(html).toContain('<html lang="ar" dir="rtl">');
    expect(html).toContain("مرحبا،");
  });
});

describe("the letter to the designer", () => {
  const svg = (inner: string, box: string) =>
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box}"><g fill="#fff">${inner}</g></svg>`;

  test("has every client's pictures that are not right, each once, shown beside what is wrong with it", async () => {
    const folder = workspaceWith(["3-acre", "high-hedges", "root-and-leaf", "saltmarsh"]);
    const draw = (client: string, inner: string, box: string) => {
      writeFileSync(join(folder, `clients/${client}/art/new.svg`), svg(inner, box));
      edit(folder, `clients/${client}/brief.yaml`, (text) =>
        text.replace(/^ {2}icon: .*\n/m, "").replace(/^ {2}mark: .*/m, "  mark: art/new.svg"),
      );
    };
    draw("3-acre", '<circle cx="50" cy="50" r="40"/><text x="20" y="60">AC</text>', "0 0 100 100");
    draw("saltmarsh", '<path d="M0 20h60v60H0zM80 20h60v60H80zM200 10h500v70H200z"/>', "0 0 700 100");
    rmSync(join(folder, "clients/root-and-leaf/art/mark.png"));
    expect(oxalis(folder, "ask", "--designer", "--until", "2026-12-18")).toMatchObject({
      code: 0,
      out: "✓ 3 pictures of 3 clients  letters/designer.{txt,html}\n",
    });
    const text = readFileSync(join(folder, "letters/designer.txt"), "utf8").replace(/\s+/g, " ");
    expect(text).toContain("by 18 December 2026");
    expect(text).toMatch(/3 Acre Greens - new\.svg: cannot be told on #ffd23f: [^-]*; holds live text/);
    expect(text).toMatch(/Saltmarsh Roots - new\.svg: is lettering: as an icon its letters are 4 points high/);
    expect(text).toContain("Root & Leaf - mark.png: is not there");
    // Who has nothing to mend is not in it, and nobody's folders are.
    expect(text).not.toMatch(/High Hedges|clients\//);
    const page = readFileSync(join(folder, "letters/designer.html"), "utf8");
    const shown = [...page.matchAll(/src="data:image\/png;base64,([^"]+)" alt="([^"]+)"/g)];
    expect(shown.map(([, , alt]) => alt)).toEqual(["new.svg, as it is now", "new.svg, as it is now"]);
    const { data, info } = await sharp(Buffer.from(shown[0]?.[1] ?? "", "base64"))
      .raw()
      .toBuffer({ resolveWithObject: true });
    // On the client's own ground, up to the edge; and the picture in the middle.
    expect([info.width, info.height, ...data.subarray(0, 3)]).toEqual([224, 224, 0xff, 0xd2, 0x3f]);
    const middle = ((info.height * 0.3) | 0) * info.width * info.channels + ((info.width / 2) | 0) * info.channels;
    expect([...data.subarray(middle, middle + 3)]).toEqual([255, 255, 255]);
    expect(oxalis(folder, "ask", "--designer", "--language", "de", "--dry-run").out).toContain("in Pfade umwandeln");
    expect(oxalis(folder, "ask", "high-hedges", "--designer").out).toBe("Nothing to ask a designer for.\n");
    // The client reads the same in its own letter.
    expect(oxalis(folder, "ask", "saltmarsh", "--dry-run").out).toMatch(/new\.svg:\s+is lettering/);
  });
});
