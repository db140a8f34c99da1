import { cpSync, existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { dirname, extname, join } from "node:path";
import readXlsxFile from "read-excel-file/node";
import sharp from "sharp";
import { beforeEach, describe, expect, test } from "vitest";
import writeXlsxFile from "write-excel-file/node";
import { parse } from "yaml";
import { edit, oxalis, sums, temporaryFolder, workspaceWith } from "../support/oxalis.ts";

let folder: string;
const at = (file: string) => join(folder, file);
const briefOf = (key: string) => readFileSync(at(`clients/${key}/brief.yaml`), "utf8");
const sheet = (content: string | Buffer, name = "roster.csv") => {
  writeFileSync(at(name), content);
  return name;
};

beforeEach(() => {
  folder = workspaceWith(["3-acre", "brennans-bothy", "orchard-lane"]);
});

test.each(["roster.csv", "roster.xlsx"])("importing an export changes nothing: %s", (file) => {
  const before = sums(at("clients"));
  expect(oxalis(folder, "export", file).code).toBe(0);
  const { code, out } = oxalis(folder, "import", file);
  expect([code, out]).toEqual([0, "0 new clients, 0 changed, 3 as before.\n"]);
  expect(sums(at("clients"))).toEqual(before);
});

test("an export holds every field as given and as worked out, and nothing that a spreadsheet would run", () => {
  edit(folder, "clients/3-acre/brief.yaml", (text) => text.replace("Three Acre Growers Ltd", '"=HYPERLINK(1)"'));
  oxalis(folder, "export", "roster.csv");
  const text = readFileSync(at("roster.csv"), "utf8");
  expect(text.startsWith("\uFEFFclient,groups,app.name")).toBe(true);
  expect(text).toContain("(identifiers.android)");
  expect(text).toContain("example.n3acre.n3acregreens");
  expect(text).toContain("'=HYPERLINK(1)");
  expect(text.split(/[,\n\r]/).filter((cell) => /^"?[=+\-@]/.test(cell))).toEqual([]);
  expect(oxalis(folder, "import", "roster.csv").out).toContain("0 changed, 3 as before");
});

describe("known clients are updated field by field", () => {
  test("comments and order are kept, an empty cell says nothing, and twice changes nothing", () => {
    const file = sheet("client,owner,label,brand\norchard-lane,Orchard & Daughters,Orchard,\n");
    const before = briefOf("orchard-lane");
    const { out } = oxalis(folder, "import", file);
    expect(out).toContain("owner      Orchard Lane Fruit → Orchard & Daughters");
    expect(out).toContain("app.label  Orchard\n");
    expect(briefOf("orchard-lane")).toBe(
      before
        .replace("owner: Orchard Lane Fruit", "owner: Orchard & Daughters")
        .replace("Boxes\n", "Boxes\n  label: Orchard\n"),
    );
    expect(oxalis(folder, "import", file).out).toBe("0 new clients, 0 changed, 1 as before.\n");
  });

  test("a row without a key is the client's who has the name already", () => {
    const { out } = oxalis(folder, "import", sheet("Name,Owner\norchard lane boxes,Orchard & Daughters\n"));
    expect(out).toContain("changed  orchard-lane");
    expect(briefOf("orchard-lane")).toContain("name: orchard lane boxes");
  });

  test("--dry-run shows what would change and writes nothing", () => {
    const before = sums(folder);
    const file = sheet("key;name\n3-acre;Four Acres\n", "x.csv");
    expect(oxalis(folder, "import", file, "--dry-run").out).toContain("app.name  3 Acre Greens → Four Acres");
    expect([...sums(folder)].filter(([path]) => path !== "x.csv")).toEqual([...before]);
  });
});

describe("new clients are made", () => {
  test("from a key or a name, with the line that points an editor at the schema", () => {
    const { code } = oxalis(
      folder,
      "import",
      sheet('Name,Website\nPlum & Pear,https://www.plumpear.example/shop\n"The ""Barn""",barn.example\n'),
    );
    expect(code).toBe(0);
    expect(briefOf("plum-and-pear")).toMatch(/^# yaml-language-server: \$schema=\.\.\/\.\.\/schemas\/brief\.json\n/);
    expect(briefOf("plum-and-pear")).toContain("domain: plumpear.example");
    expect(existsSync(at("clients/the-barn/brief.yaml"))).toBe(true);
    expect(JSON.parse(readFileSync(at("schemas/brief.json"), "utf8")).properties.app).toBeDefined();
  });
});

describe("sheets as people save them", () => {
  test.each([
    [
      "semicolons, a byte-order mark, Windows line ends, a quoted newline",
      '\uFEFFkey;remark;owner\r\n3-acre;"two\r\nlines";Ács & Co\r\n',
      "Ács & Co",
    ],
    ["tabs", "key\towner\n3-acre\tÁcs, Bt\n", "Ács, Bt"],
    ["Windows-1252", Buffer.from("key;owner\n3-acre;B\xe4uerin \x96 Hof\n", "latin1"), "Bäuerin – Hof"],
    ["UTF-16", Buffer.from("\uFEFFkey;owner\n3-acre;Ферма\n", "utf16le"), "Ферма"],
  ])("%s", (_, content, owner) => {
    expect(oxalis(folder, "import", sheet(content)).code).toBe(0);
    const { out } = oxalis(folder, "explain", "3-acre", "owner", "--json");
    expect(JSON.parse(out).values.owner.value.replace("\r\n", "\n")).toBe(owner);
  });

  test("columns that nobody knows are told, and --map says what they hold", () => {
    const file = sheet("key,Träger,Colour\n3-acre,Acker GmbH,552244\n");
    const { err } = oxalis(folder, "import", file, "--dry-run");
    expect(err).toContain('passed over  the column "Träger"');
    oxalis(folder, "import", file, "--map", "Träger=owner");
    expect(briefOf("3-acre")).toContain("owner: Acker GmbH");
    expect(briefOf("3-acre")).toContain('brand: "#552244"');
    expect(oxalis(folder, "import", file, "--map", "Träger=ownr").err).toContain('no field is called "ownr"');
    expect(oxalis(folder, "import", file, "--map", "Trager=owner").err).toMatch(/headed "Trager".*\n.*"Träger"/);
  });
});

test("a title above the headings, in German; what --map said is remembered", () => {
  const rows = ";;\nKunden im Herbst;;\nKürzel;Markenfarbe;Name (fr);Träger\n3-acre;#123456;Les 3 Arpents;Acker\n";
  const { err, out } = oxalis(folder, "import", sheet(rows), "--map", "Träger=owner");
  expect(err).toContain("in row 3");
  expect(err).toMatch(/Markenfarbe +colors\.brand/);
  expect(out).toContain("app.locales.fr.name  Les 3 Arpents");
  expect(readFileSync(at("oxalis.yaml"), "utf8")).toContain("roster:\n  headings:\n    Träger: owner\n");
  const again = sheet("Kürzel;Träger\n3-acre;Feld GmbH\n");
  expect(oxalis(folder, "import", again).out).toContain("owner  Acker → Feld GmbH");
});

test("what a brief says by itself since the last import stays until somebody settles it", () => {
  const says = (owner: string) => sheet(`key,owner\n3-acre,${owner}\n`);
  oxalis(folder, "import", says("First Ltd"));
  edit(folder, "clients/3-acre/brief.yaml", (text) => text.replace("First Ltd", "Own Ltd"));
  // The sheet says nothing new: told, and nothing more.
  expect(oxalis(folder, "import", says("First Ltd"))).toMatchObject({ code: 0, err: expect.stringContaining("kept") });
  const both = oxalis(folder, "import", says("Second Ltd"));
  expect(both).toMatchObject({ code: 1, err: expect.stringContaining("conflict  3-acre owner") });
  expect(both.err).toMatch(/Own Ltd\n.*Second Ltd.*\n.*First Ltd/);
  expect(briefOf("3-acre")).toContain("owner: Own Ltd");
  expect(oxalis(folder, "import", says("Second Ltd"), "--conflicts", "brief").code).toBe(0);
  expect(oxalis(folder, "import", says("Second Ltd"), "-q")).toEqual({ code: 0, out: "", err: "" });
  edit(folder, "clients/3-acre/brief.yaml", (text) => text.replace("Own Ltd", "Other Ltd"));
  oxalis(folder, "import", says("Third Ltd"), "--conflicts", "sheet");
  expect(briefOf("3-acre")).toContain("owner: Third Ltd");
});

test("what will be wrong is told with its cell, and stops no row", () => {
  const file = sheet(
    "key,name,domain,brand,groups,logo,version\nnew,3 ACRE greens,new.example,#123456,hil,art/no.svg,1.x\n",
  );
  const { code, err } = oxalis(folder, "import", file);
  expect(code).toBe(0);
  for (const said of [
    'column "groups": No group is called "hil".',
    'column "version": Version that people see is "1.x".',
    'column "logo": clients/new/art/no.svg is not there.',
    'column "name": "3 ACRE greens" is also the name of 3-acre.',
  ])
    expect(err).toContain(said);
  expect(existsSync(at("clients/new/brief.yaml"))).toBe(true);
});

test("collections are sheets of their own, in a workbook or by themselves", () => {
  oxalis(folder, "export", "boxes.csv", "--collection", "boxes");
  const text = readFileSync(at("boxes.csv"), "utf8");
  expect(text).toMatch(/^\uFEFFclient,title,text,price,photo\n3-acre,/);
  expect(oxalis(folder, "import", "boxes.csv", "--collection", "boxes").out).toContain("3 as before");
  const lines = text.trimEnd().split("\n");
  writeFileSync(
    at("boxes.csv"),
    `${[lines[0], ...lines.filter((line) => line.startsWith("3-acre,")).slice(1)].join("\n")}\n`,
  );
  expect(oxalis(folder, "import", "boxes.csv", "--collection", "boxes").out).toMatch(
    /content\.boxes +3 items → 2 items/,
  );
  expect(oxalis(folder, "export", "x.csv", "--collection", "bxes").err).toContain('"boxes"');
});

test("a workspace without clients gives the sheet to hand out, with what each column means", async () => {
  rmSync(at("clients"), { recursive: true });
  mkdirSync(at("clients"));
  expect(oxalis(folder, "export", "blank.xlsx").code).toBe(0);
  const [first, second] = await readXlsxFile(at("blank.xlsx"));
  expect(first?.data).toHaveLength(1);
  expect(first?.data[0]).toContain("signing.team");
  expect(second?.data[0]).toEqual(["Column", "What it holds", "Example", "Also taken as heading"]);
  expect(second?.data.map(([column]) => column)).toEqual(["Column", ...(first?.data[0] ?? [])]);
});

test("every field of a brief comes in as a column and goes out again as it was", () => {
  const cells: Record<string, string> = {
    client: "whole",
    "app.name": "Whole Farm",
    orientation: "portrait",
    devices: "both",
    "art.dark.mark": "art/night.svg",
    "art.focus.x": "12.5",
    "art.focus.y": "40",
    "art.slots.android/notification": "art/own.png",
    "signing.team": "AB12CD34EF",
    "signing.profiles.Widget": "Whole Widget",
    "windows.publisherName": "Whole",
    "app.locales.pt-BR.label": "Sítio",
    "features.push": "yes",
    "features.camera.usage.de": "Liest Kisten",
    "answers.opening": "9-5",
  };
  oxalis(folder, "import", sheet(`${Object.keys(cells).join(",")}\n${Object.values(cells).join(",")}\n`));
  expect(parse(briefOf("whole"))).toEqual({
    app: { name: "Whole Farm", locales: { "pt-BR": { label: "Sítio" } } },
    orientation: "portrait",
    devices: "both",
    art: {
      dark: { mark: "art/night.svg" },
      focus: { x: 12.5, y: 40 },
      slots: { "android/notification": "art/own.png" },
    },
    signing: { team: "AB12CD34EF", profiles: { Widget: "Whole Widget" } },
    windows: { publisherName: "Whole" },
    features: { push: true, camera: { usage: { de: "Liest Kisten" } } },
    answers: { opening: "9-5" },
  });
  oxalis(folder, "export", "all.csv", "whole");
  expect(oxalis(folder, "import", "all.csv").out).toBe("0 new clients, 0 changed, 1 as before.\n");
});

test("pictures are found by name, known by their looks, copied once; what a client has stays", async () => {
  const svg = (inner: string, box = "0 0 90 90") =>
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box}">${inner}</svg>`;
  const two = '<path fill="#c00" d="M9 9h40v70H9z"/><path fill="#00c" d="M50 9h30v70H50z"/>';
  const put = (file: string, bytes: string | Buffer) => {
    mkdirSync(at(`pictures/${dirname(file)}`), { recursive: true });
    writeFileSync(at(`pictures/${file}`), bytes);
  };
  put("Plum Tree/final.svg", svg(two));
  put(
    "Plum Tree/smaller.png",
    await sharp(Buffer.from(svg(two)))
      .png()
      .toBuffer(),
  );
  put("Plum Tree/white.svg", svg('<circle cx="45" cy="45" r="40" fill="#fff"/>'));
  put("all/plumtree-wordmark.svg", svg(two, "0 0 300 90").replace("M50 9h30", "M50 9h240"));
  put("all/sheet-name.svg", svg(two.replace("#c00", "#0c0")));
  put("all/orchard-lane_icon.svg", svg(`<path fill="#fc0" d="M0 0h90v90H0z"/>${two}`));
  put("all/thing.svg", svg(two));
  put("all/plumtree-broken.png", "no picture");
  const file = sheet(
    "name,domain,brand,logo\nPlum Tree,plumtree.example,#552244,\nThird,third.example,#552244,art/sheet-name.svg\n" +
      "Orchard Lane Boxes,,,\n",
  );
  const { code, out, err } = oxalis(folder, "import", file, "--pictures", "pictures");
  expect(code).toBe(1);
  for (const said of [
    /plum-tree +mark +Plum Tree\/final\.svg +on nothing, in several colours/,
    /plum-tree +mono +Plum Tree\/white\.svg +on nothing, and all of it #ffffff/,
    /plum-tree +wide +all\/plumtree-wordmark\.svg +on nothing, and 4\.0 times as wide as high/,
    /third +mark +all\/sheet-name\.svg +the sheet names it/,
  ])
    expect(out).toMatch(said);
  for (const said of [
    "left  Plum Tree/smaller.png: Plum Tree/final.svg is taken for the same, mark.",
    "left  all/orchard-lane_icon.svg: the brief has a picture for icon.",
    "left  all/thing.svg: its name is nobody's.",
    "all/plumtree-broken.png is not a picture that can be read.",
  ])
    expect(err).toContain(said);
  expect(err).not.toContain("[file-missing]");
  expect(readFileSync(at("clients/plum-tree/art/mark.svg"), "utf8")).toBe(svg(two));
  expect(parse(briefOf("plum-tree")).art).toEqual({ mark: "art/mark.svg", mono: "art/mono.svg", wide: "art/wide.svg" });
  expect(readdirSync(at("clients/orchard-lane/art"))).toEqual(["icon.jpg"]);
  rmSync(at("pictures/all/plumtree-broken.png"));
  const again = oxalis(folder, "import", file, "--pictures", "pictures");
  expect([again.code, again.out]).toEqual([0, "0 new clients, 0 changed, 3 as before.\n"]);
});

describe("cells and rows that cannot be taken", () => {
  const rows =
    "key,name,brand,build\n3-acre,Three,nocolour,9\nHill & Dale,Hills,,\n,,red,\nbrennans-bothy,Bothy,,7\n" +
    "brennans-bothy,Again,,\nnew-one,New,,many\n???,None,,\n";

  test("are told with row, column and reason; with --strict nothing is taken", () => {
    const before = sums(at("clients"));
    const { code, err, out } = oxalis(folder, "import", sheet(rows), "--strict");
    expect(code).toBe(1);
    for (const said of [
      'row 2, column "brand": "nocolour" cannot be taken',
      "row 4: nothing says which client this is.",
      'row 6, column "client": brennans-bothy stands in row 5 already.',
      'row 7, column "build": "many" cannot be taken',
      "row 8: nothing says which client this is.",
    ]) {
      expect(err).toContain(said);
    }
    expect(out).toContain("2 new clients, 2 changed, 0 as before, 3 rows refused, 2 cells left out. Nothing was taken");
    expect(sums(at("clients"))).toEqual(before);
  });

  test("do not keep the good ones out", () => {
    expect(oxalis(folder, "import", sheet(rows)).code).toBe(1);
    expect(briefOf("brennans-bothy")).toContain("build: 7");
    const three = parse(briefOf("3-acre"));
    expect([three.app.name, three.build, three.colors.brand]).toEqual(["Three", 9, "#1e4d2b"]);
    expect(parse(briefOf("new-one"))).toEqual({ app: { name: "New" } });
    // A name under a heading that says client makes the key, and is that client ever after.
    expect(parse(briefOf("hill-and-dale"))).toEqual({ app: { name: "Hills" } });
    oxalis(folder, "import", sheet("Client,Owner\nHILLS,Hill Ltd\nLittle Wood,Wood Ltd\n"));
    expect(parse(briefOf("hill-and-dale"))).toEqual({ app: { name: "Hills" }, owner: "Hill Ltd" });
    expect(parse(briefOf("little-wood"))).toEqual({ app: { name: "Little Wood" }, owner: "Wood Ltd" });
  });

  test("a sheet in which no column names clients is told once", () => {
    const { code, err } = oxalis(folder, "import", sheet(`brand,build\n${"red,1\n".repeat(43)}`));
    expect([code, err.match(/row-refused/g)]).toEqual([1, ["row-refused"]]);
    expect(err).toContain("no column says which client a row is.");
  });

  test("a formula that was never worked out spoils its cell, not the workbook", async () => {
    const text = (value: string) => ({ value, type: String });
    const rows = [
      [text("client"), text("name"), text("build")],
      [text("3-acre"), text("Three"), { value: "=1+8", type: "Formula" as const }],
      [text("saltmarsh"), text("Four"), text("7")],
    ];
    await writeXlsxFile([{ data: rows, sheet: "Kunden & Co" }]).toFile(at("formulas.xlsx"));
    const { code, err } = oxalis(folder, "import", "formulas.xlsx");
    expect([code, err]).toEqual([
      1,
      expect.stringContaining('row 2, column "build": it holds a formula that was never worked out.'),
    ]);
    expect(parse(briefOf("3-acre"))).toMatchObject({ app: { name: "Three" } });
    expect([parse(briefOf("3-acre")).build, parse(briefOf("saltmarsh")).build]).toEqual([undefined, 7]);
  });

  test("a sum below the others is no client, and is told; whoever is called like one is", () => {
    const file = sheet("Name,Boxes,Website\nTotal,3,total.example\nTotal Fitness,,\nHill,5,hill.example\nSumme:,8,\n");
    const { out, err } = oxalis(folder, "import", file);
    expect(out).toContain("3 new clients, 0 changed, 0 as before");
    expect(err).toContain("passed over  row 5: a sum of the others.");
  });

  test("cells are read as people write them", () => {
    const columns =
      "client;language;brand;ground;e-mail;store.support;store.released;store.category;store.countries;store.price";
    const written = [
      "3-acre;Deutsch;27,73,101;weiß;Crew <crew@3acre.example>;3acre.example/help;3.1.2027;Essen und Trinken;Deutschland, Österreich und CH;kostenlos",
      "brennans-bothy;Irish;1f5d4c;vert foncé;mailto:x@bothy.example;https://bothy.example/a;31/12/2027;Achats;partout;2.99 EUR",
      "orchard-lane;pt_br;100;RED;Nobody;somewhere;3/1/2027;;;",
    ];
    const { err } = oxalis(folder, "import", sheet([columns, ...written].join("\n")));
    const read = (key: string) => {
      const { locale, colors, email, store } = parse(briefOf(key));
      return [
        locale,
        colors?.brand,
        colors?.ground,
        email,
        store?.support,
        store?.released,
        store?.category,
        store?.countries,
        store?.price,
      ];
    };
    expect(read("3-acre")).toEqual([
      ...["de", "rgb(27 73 101)", "white", "crew@3acre.example", "https://3acre.example/help", "2027-01-03"],
      ...["food", ["DE", "AT", "CH"], "free"],
    ]);
    expect(read("brennans-bothy")).toEqual([
      ...["ga", "#1f5d4c", "darkgreen", "x@bothy.example", "https://bothy.example/a", "2027-12-31"],
      ...["shopping", ["all"], "2.99 EUR"],
    ]);
    // What may be two days is nobody's to choose, and a number is no colour.
    for (const cell of ['"100"', '"3/1/2027"']) expect(err).toMatch(new RegExp(`row 4, column "[^"]*": ${cell}`));
    expect(read("orchard-lane")[0]).toBe("pt-BR");
  });

  test.each([
    ["an empty sheet", "", "has no rows"],
    ["headings alone", "key,name\n", "has no rows"],
    ["a file that only calls itself a workbook", "PK\u0003\u0004 no", "is not an XLSX file"],
    ["an OpenDocument sheet", "PK\u0003\u0004....mimetypeapplication/vnd.oasis.opendocument.spreadsheet", "(.ods)"],
    ["an open quote", 'key,name\n"a,b\n', "is not a CSV file"],
  ])("%s is refused", (_, content, says) => {
    expect(oxalis(folder, "import", sheet(content))).toMatchObject({
      code: 1,
      err: expect.stringContaining(says),
    });
  });
});

test("clients is the sheet people copy from: filters, CSV, JSON, wide and narrow", () => {
  oxalis(folder, "release", "3-acre", "--force");
  edit(folder, "oxalis.yaml", (text) => `${text}groups:\n  hill: {}\n`);
  edit(folder, "clients/orchard-lane/brief.yaml", (text) => `groups: [hill]\n${text}`);
  expect(oxalis(folder, "clients", "--state", "numbered", "--csv").out).toBe(
    "client,name,android,ios,windows,web,label,stock code,version,build,state\n" +
      ("3-acre,3 Acre Greens,example.n3acre.n3acregreens,example.n3acre.n3acregreens," +
        "example.n3acre.n3acregreens,/3-acre-greens,3 Acre,3-ACRE,1.0.0,1,numbered 1.0.0\n"),
  );
  expect(
    JSON.parse(oxalis(folder, "clients", "--group", "hill", "--json").out).clients.map(
      (each: { key: string }) => each.key,
    ),
  ).toEqual(["orchard-lane"]);
  expect(oxalis(folder, "schema", "ledger").out).toContain('"build"');
});

describe("whoever is known is known under another name, too", () => {
  const renamed = "Name,Domain,Owner\nOrchard Fruit Shop,orchardlane.example,Somebody Else\n";
  const domainOf = (key: string) => /^domain: (.+)$/m.exec(briefOf(key))?.[1];

  test("a row with a client's domain is asked about, and taken for it once somebody has said so", () => {
    const file = sheet(renamed.replace("orchardlane.example", domainOf("orchard-lane") ?? ""));
    const { code, err } = oxalis(folder, "import", file);
    expect(code).toBe(1);
    expect(err).toContain("row-unsure");
    expect(err).toMatch(/Orchard Fruit Shop has the domain of Orchard Lane Boxes \(orchard-lane\)/);
    expect(existsSync(at("clients/orchard-fruit-shop"))).toBe(false);
    const same = ["--same", "Orchard Fruit Shop=orchard-lane"];
    expect(oxalis(folder, "import", file, ...same).out).toContain("changed  orchard-lane");
    expect(briefOf("orchard-lane")).toContain("name: Orchard Fruit Shop");
    expect(oxalis(folder, "import", file).out).toBe("0 new clients, 0 changed, 1 as before.\n");
  });

  test("a key of the sheet's own is remembered; who is new is made all the same", () => {
    const row = `key,Name,Domain\nfruit-17,Orchard Fruit Shop,${domainOf("orchard-lane")}\n`;
    expect(oxalis(folder, "import", sheet(row), "--same", "fruit-17=orchard").err).toContain("orchard-lane");
    oxalis(folder, "import", sheet(row), "--same", "fruit-17=orchard-lane");
    expect(parse(readFileSync(at("oxalis.yaml"), "utf8")).roster.same).toEqual({ "fruit-17": "orchard-lane" });
    expect(oxalis(folder, "import", sheet(row)).out).toBe("0 new clients, 0 changed, 1 as before.\n");
    const other = sheet(row.replace("fruit-17", "fruit-18").replace("Fruit", "Juice"));
    expect(oxalis(folder, "import", other, "--new", "fruit-18").out).toContain("new  fruit-18");
  });

  test("a client's logo or name under a key that nobody has is asked about, too", () => {
    const [, icon = ""] = /icon: (\S+)/.exec(briefOf("orchard-lane")) ?? [];
    const logos = temporaryFolder();
    cpSync(at(`clients/orchard-lane/${icon}`), join(logos, `marsh-pottery${extname(icon)}`));
    const row = sheet("key,Name,Domain\nmarsh-pottery,Marsh Pottery,pottery.example\n");
    const { code, err } = oxalis(folder, "import", row, "--pictures", logos);
    expect([code, existsSync(at("clients/marsh-pottery"))]).toEqual([1, false]);
    expect(err).toContain(`marsh-pottery has the logo of Orchard Lane Boxes (orchard-lane), ${icon}`);
    const isNew = ["--new", "marsh-pottery", "--dry-run"];
    expect(oxalis(folder, "import", row, "--pictures", logos, ...isNew).out).toContain("new  marsh-pottery");
    const rekeyed = sheet("key,Name\nold-lane,Orchard Lane Boxes\n");
    expect(oxalis(folder, "import", rekeyed).err).toMatch(/old-lane has the name of Orchard Lane Boxes/);
  });

  test("where the client has a row of its own, or what they share is several clients', nobody is asked", () => {
    const own = `Orchard Lane Boxes,${domainOf("orchard-lane")},\n`;
    const two = sheet(`${renamed.replace("orchardlane.example", domainOf("orchard-lane") ?? "")}${own}`);
    expect(oxalis(folder, "import", two, "--dry-run").out).toContain("new  orchard-fruit-shop");
    for (const key of ["3-acre", "brennans-bothy"])
      edit(folder, `clients/${key}/brief.yaml`, (text) => text.replace(/^owner: .*$/m, "owner: Market Holding"));
    const third = sheet("Name,Domain,Owner\nHill,hill.example,Market Holding\n");
    expect(oxalis(folder, "import", third, "--dry-run").out).toContain("new  hill");
  });
});

describe("a client out of service", () => {
  test("is passed over everywhere, keeps what it has had, and comes back as it was", () => {
    oxalis(folder, "generate", "3-acre", "orchard-lane");
    const before = briefOf("orchard-lane");
    const { out } = oxalis(folder, "retire", "orchard-lane");
    expect(out).toContain("orchard-lane  out of service\n  removed: variants/orchard-lane");
    expect([existsSync(at("variants/orchard-lane")), existsSync(at("variants/3-acre"))]).toEqual([false, true]);
    for (const command of ["check", "board", "clients"]) expect(oxalis(folder, command).out).not.toContain("orchard");
    expect(oxalis(folder, "clients").err).toMatch(/Out of service: orchard-lane \(since \d{4}-\d{2}-\d{2}\)/);
    expect(JSON.parse(oxalis(folder, "ask", "--dry-run", "--json").out).letters).toHaveLength(2);
    const imported = oxalis(folder, "import", sheet("key,owner\norchard-lane,Nobody\n3-acre,Three\n"));
    expect(imported.err).toContain("passed over  orchard-lane: out of service.");
    expect(briefOf("orchard-lane")).toBe(before);
    expect(oxalis(folder, "generate", "orchard-lane").err).toContain("retire orchard-lane --back");
    oxalis(folder, "retire", "orchard-lane", "--back");
    expect(oxalis(folder, "clients").out).toContain("orchard-lane");
    expect(oxalis(folder, "retire", "orchard-lane", "--back").err).toContain("orchard-lane is in service");
  });

  test("keeps its identifier: nobody else gets it", () => {
    oxalis(folder, "retire", "orchard-lane");
    const given = readFileSync(at("clients/orchard-lane/brief.yaml"), "utf8");
    mkdirSync(at("clients/twin/art"), { recursive: true });
    writeFileSync(at("clients/twin/brief.yaml"), given);
    expect(oxalis(folder, "check", "twin").err).toContain("orchard-lane");
    expect(oxalis(folder, "retire").err).toContain("retire-refused");
  });
});

test("what is struck out, or stands above the headings, is no client; lists come in as their field has them", async () => {
  folder = workspaceWith(["3-acre"]);
  const out = { textDecoration: { strikethrough: true } } as const;
  const rows = [
    [{ value: "Swimming schools 2026" }],
    [
      { value: "client" },
      { value: "name" },
      { value: "store.texts.en.keywords" },
      { value: "store.texts.en.highlights" },
    ],
    ["north", "North Pool", "swim, lessons;\n\npool", "- Book a course, any day\n- See who teaches"],
    ["south", "South Pool", "", ""].map((value) => ({ value, ...out })),
    [{ value: "east" }, { value: "East Pool", ...out }, { value: "" }, { value: "Find a pool; pay, or pay later" }],
  ].map((row) => row.map((cell) => (typeof cell === "string" ? { value: cell } : cell)));
  await writeXlsxFile([{ data: rows, sheet: "Schools" }]).toFile(join(folder, "struck.xlsx"));
  const { out: said, err } = oxalis(folder, "import", "struck.xlsx");
  expect(err).toContain('headings  in row 2; above is no client: "Swimming schools 2026".');
  expect(err).toContain("passed over  row 4: it is struck out.");
  expect(said).toContain("2 new clients");
  const brief = (key: string) => parse(readFileSync(join(folder, `clients/${key}/brief.yaml`), "utf8")).store.texts.en;
  expect(brief("north")).toEqual({
    keywords: ["swim", "lessons", "pool"],
    highlights: ["Book a course, any day", "See who teaches"],
  });
  expect(brief("east").highlights).toEqual(["Find a pool", "pay, or pay later"]);
  // What was taken from entries with commas in them is exported so that it comes back the same.
  expect(oxalis(folder, "export", "back.csv").code).toBe(0);
  expect(oxalis(folder, "import", "back.csv").out).toContain("0 new clients, 0 changed, 3 as before");
});

test("a text that a store finds too long is told at the import, with its cell; it is taken all the same", () => {
  folder = workspaceWith(["3-acre"]);
  const long = "Salad, roots and greens from three acres, cut in the morning when you get them there.";
  writeFileSync(join(folder, "back.csv"), `client,store.texts.en.short\n3-acre,"${long}"\n`);
  const { err, out, code } = oxalis(folder, "import", "back.csv");
  expect(long).toHaveLength(85);
  expect(err).toContain(
    'row 2, column "store.texts.en.short": "Short description" of Google Play has 85 of 80 characters.',
  );
  expect([code, out]).toEqual([0, expect.stringContaining("1 changed")]);
});

test("--pictures passes over what Oxalis made and what clients have", () => {
  folder = workspaceWith(["3-acre"]);
  oxalis(folder, "generate");
  writeFileSync(join(folder, "more.csv"), "client,app.name\n3-acre,3 Acre Greens\nnew-pool,New Pool\n");
  cpSync(join(folder, "clients/3-acre/art/mark.svg"), join(folder, "logos/new-pool.svg"));
  const { pictures, left } = JSON.parse(oxalis(folder, "import", "more.csv", "--pictures", ".", "--json").out);
  expect(pictures.map(({ from }: { from: string }) => from)).toEqual(["logos/new-pool.svg"]);
  expect(left).toEqual([]);
});
