import { expect, test } from "vitest";
import type { Capture } from "../../../src/core/clients/record/captures.ts";
import type { StoreRecord } from "../../../src/core/clients/record/record.ts";
import type { StoreKey } from "../../../src/core/ground/values/store.ts";
import { trace } from "../../../src/core/ground/values/trail.ts";
import { standingIn } from "../../../src/core/proving/standing/standing.ts";
import { questions, stores } from "../../../src/core/stores/all.ts";
import type { RecordField } from "../../../src/core/stores/record-fields.ts";

/**
 * What stores take and refuse, written down from their documentation and not from the tables that are tried here: a
 * record that all four take, and one thing wrong with it at a time.
 */

const said = (value: string) => ({ first: trace({ by: "brief", note: "", value }), further: {} });

const sound: Readonly<Partial<Record<RecordField, string>>> = {
  name: "Hill Farm Boxes",
  subtitle: "Vegetables by the crate",
  short: "Vegetables from the hill, brought to the door.",
  description: "Every week a crate from the hill: what is ripe, and nothing else.",
  promotional: "The first strawberries.",
  keywords: "vegetables\ncrate\nharvest",
  highlights: "A crate a week\nPause at any time",
  category: "shopping",
  kind: "app",
  audience: "13-15\n16-17\n18+",
  email: "shop@hill.example",
  support: "https://hill.example/help",
  marketing: "https://hill.example",
  privacy: "https://hill.example/privacy",
  copyright: "2026 Hill Farm",
  sku: "hill-farm-boxes",
  contactName: "Ann Hill",
  contactEmail: "ann@hill.example",
  contactPhone: "+44 20 7946 0000",
  price: "free",
  countries: "GB\nIE",
};

/** Pictures of a size that every store of the kind takes. */
const captures = (["phone", "iphone", "ipad", "mac", "desktop"] as const).flatMap((device) =>
  [1, 2].map((at) => ({
    ...{ device, language: "en-GB", file: `captures/${device}/en-GB/${at}.png`, hash: `${device}${at}` },
    size: {
      phone: { width: 1080, height: 1920 },
      iphone: { width: 1320, height: 2868 },
      ipad: { width: 2064, height: 2752 },
      mac: { width: 2880, height: 1800 },
      desktop: { width: 1920, height: 1080 },
    }[device],
  })),
);

/** The record's answers with another one to a question. */
const answered = (name: string, value: string): Partial<StoreRecord> => ({
  declared: questions.map((declaration) => ({
    declaration,
    answer: trace({ by: "brief", note: "", value: declaration.name === name ? value : (declaration.of[0] ?? "") }),
  })),
});

const forOther = { kind: "crashes", marks: [], purposes: ["other"] } as const;

interface Given {
  values?: Partial<Record<RecordField, string | undefined>>;
  more?: Partial<StoreRecord>;
}

const record = ({ values = {}, more = {} }: Given): StoreRecord => ({
  client: "hill",
  languages: ["en-GB"],
  values: Object.fromEntries(
    Object.entries({ ...sound, ...values }).flatMap(([field, value]) =>
      value === undefined ? [] : [[field, said(value)]],
    ),
  ),
  features: [],
  declared: questions.map((declaration) => ({
    declaration,
    answer: trace({
      by: "brief",
      note: "",
      value: declaration.name === "deletion" ? "no account" : (declaration.of[0] ?? ""),
    }),
  })),
  collected: [],
  captures,
  previews: [],
  policies: [],
  derived: new Set(),
  devices: "both",
  ...more,
});

const told = (store: StoreKey, given: Given) =>
  standingIn(stores[store], record(given), [], "2026-11-29")
    .problems.filter(({ severity }) => severity !== "note")
    .map(({ code, severity }) => `${severity} ${code}`);

const apple = ["app-store", "mac-app-store"] as const;
const all = [...apple, "google-play", "microsoft-store"] as const;

/** Pictures of a further class of devices, beside those that every record has. */
const also = (device: Capture["device"], count: number, width: number, height: number): Given => ({
  more: {
    captures: [
      ...captures,
      ...Array.from({ length: count }, (_, at) => ({
        ...{ device, language: "en-GB", file: `captures/${device}/en-GB/${at}.png`, hash: `${device}${at}` },
        size: { width, height },
      })),
    ],
  },
});

/** A picture that is not taken is missing, too. */
const bothCaptures = ["error capture-invalid", "warning capture-missing"];

/** Films of a device: of 20 seconds, in a size of the store's, but for what is said. */
const filmed = (
  device: "phone" | "iphone" | "ipad" | "mac",
  ...films: { seconds?: number; bytes?: number; width?: number; isCut?: true }[]
): Given => {
  const [width, height] = { phone: [1080, 1920], iphone: [886, 1920], ipad: [1200, 1600], mac: [1920, 1080] }[device];
  return {
    more: {
      previews: films.map(({ isCut, bytes = 20_000_000, seconds = 20, ...other }, at) => ({
        ...{ device, language: "en-GB", file: `captures/${device}/en-GB/${at}.mp4`, bytes },
        ...(isCut ? {} : { film: { seconds, size: { width: other.width ?? width ?? 0, height: height ?? 0 } } }),
      })),
    },
  };
};

const sized = (device: string, width: number, height: number) => ({
  more: { captures: captures.map((each) => (each.device === device ? { ...each, size: { width, height } } : each)) },
});
const without = (field: RecordField) => ({ values: { [field]: undefined } });
const long = (field: RecordField, length: number) => ({ values: { [field]: "m".repeat(length) } });

/** What is refused, or told as likely to be; by which rule. */
const refused: readonly (readonly [what: string, stores: readonly StoreKey[], given: Given, ...told: string[]])[] = [
  ["a title of 31 characters", [...apple, "google-play"], long("name", 31), "error record-long"],
  ["a title of one character", apple, long("name", 1), "error record-short"],
  ["a title of 257 characters", ["microsoft-store"], long("name", 257), "error record-long"],
  ["a subtitle of 31", apple, long("subtitle", 31), "error record-long"],
  ["a short description of 81", ["google-play"], long("short", 81), "error record-long"],
  ["a description of 4,001", [...apple, "google-play"], long("description", 4001), "error record-long"],
  ["a description of 10,001", ["microsoft-store"], long("description", 10_001), "error record-long"],
  ["a promotional text of 171", apple, long("promotional", 171), "error record-long"],
  ["keywords of 101 characters", apple, long("keywords", 101), "error record-long"],
  ["keywords of 60 characters in 120 bytes", apple, { values: { keywords: "щ".repeat(60) } }, "warning record-long"],
  [
    "eight search terms",
    ["microsoft-store"],
    { values: { keywords: "a1\nb2\nc3\nd4\ne5\nf6\ng7\nh8" } },
    "error record-long",
  ],
  ["a search term of 31", ["microsoft-store"], long("keywords", 31), "error record-long"],
  [
    "22 words in search terms",
    ["microsoft-store"],
    { values: { keywords: "a b c d\ne f g h\ni j k l\nm n o p\nq r s t\nu v" } },
    "error record-long",
  ],
  ["21 features", ["microsoft-store"], { values: { highlights: "one\n".repeat(21).trim() } }, "error record-long"],
  ["a feature of 201", ["microsoft-store"], long("highlights", 201), "error record-long"],
  ["no description", all, without("description"), "error record-missing"],
  ["no keywords", apple, without("keywords"), "error record-missing"],
  ["no address for help", apple, without("support"), "error record-missing"],
  ["no policy", all, without("privacy"), "error record-missing"],
  ["no category", all, without("category"), "error record-missing"],
  ["a game among shops", all, { values: { kind: "game" } }, "error record-invalid"],
  ["an app among games", all, { values: { category: "game-puzzle" } }, "error record-invalid"],
  [
    "ages of children by the way",
    ["google-play"],
    { values: { audience: "9-12\n13-15" } },
    "warning audience-children",
  ],
  ["an age that there is not", ["google-play"], { values: { audience: "12+" } }, "error record-invalid"],
  [
    "accounts, and no address where they go",
    ["google-play"],
    { more: answered("deletion", "yes") },
    "error record-missing",
  ],
  ["a purpose that it has not", ["google-play"], { more: { collected: [forOther] } }, "error declaration-invalid"],
  ["no price", all, without("price"), "error record-missing"],
  ["no e-mail", ["google-play"], without("email"), "error record-missing"],
  ["no telephone of whoever answers", apple, without("contactPhone"), "error record-missing"],
  ["whoever answers by one name", apple, { values: { contactName: "Ann" } }, "warning record-invalid"],
  ["six tags", ["google-play"], { values: { tags: "a\nb\nc\nd\ne\nf" } }, "error record-long"],
  ["licence terms of 10,001", ["microsoft-store"], long("licence", 10_001), "error record-long"],
  [
    "a list of videos",
    ["google-play"],
    { values: { video: "https://www.youtube.com/playlist?list=PL123" } },
    "error record-invalid",
  ],
  [
    "a video of another service",
    ["google-play"],
    { values: { video: "https://vimeo.example/123" } },
    "error record-invalid",
  ],
  ["a telephone without its country", apple, { values: { contactPhone: "020 7946 0000" } }, "error record-invalid"],
  [
    "a telephone that is none",
    ["google-play", "microsoft-store"],
    { values: { phone: "+44 CALL HILL" } },
    "error record-invalid",
  ],
  ["a telephone of 16 digits", apple, { values: { contactPhone: "+4420794600001234" } }, "error record-invalid"],
  ["release notes of 501", ["google-play"], { ...long("news", 501), more: { former: "1.0.0" } }, "error record-long"],
  ["release notes of 4,001", apple, { ...long("news", 4001), more: { former: "1.0.0" } }, "error record-long"],
  [
    "release notes of 1,501",
    ["microsoft-store"],
    { ...long("news", 1501), more: { former: "1.0.0" } },
    "error record-long",
  ],
  ["a short description of 1,001", ["microsoft-store"], long("short", 1001), "error record-long"],
  ["a copyright line of 201", ["microsoft-store"], long("copyright", 201), "error record-long"],
  ["no title", all, without("name"), "error record-missing"],
  ["no short description", ["google-play"], without("short"), "error record-missing"],
  ["no copyright line", apple, without("copyright"), "error record-missing"],
  ["no stock code", apple, without("sku"), "error record-missing"],
  ["nobody who answers", apple, without("contactName"), "error record-missing"],
  ["no e-mail of whoever answers", apple, without("contactEmail"), "error record-missing"],
  ["no countries", all, without("countries"), "error record-missing"],
  ["no audience", ["google-play"], without("audience"), "error record-missing"],
  ["neither app nor game", ["google-play"], without("kind"), "error record-missing"],
  [
    "a page with a blank in its address",
    [...apple, "microsoft-store"],
    { values: { support: "https://hill.example/a b" } },
    "error record-invalid",
  ],
  ["an address without a domain", all, { values: { privacy: "https://localhost/privacy" } }, "error record-invalid"],
  ["an e-mail without a domain", ["google-play"], { values: { email: "shop@hill" } }, "error record-invalid"],
  ["an amount without a currency", all, { values: { price: "2.99" } }, "error record-invalid"],
  ["lower-case codes of countries", all, { values: { countries: "gb" } }, "error countries-unknown"],
  ["three exclamation marks in a title", ["google-play"], { values: { name: "Hill Farm!!!" } }, "warning title-loud"],
  ["a policy without https", all, { values: { privacy: "http://hill.example" } }, "error record-invalid"],
  ["a country that there is not", all, { values: { countries: "GB\nQX" } }, "error countries-unknown"],
  [
    "a placeholder",
    all,
    { values: { description: "Order at [shop name here] today, for the door." } },
    "error placeholder-left",
  ],
  [
    "another platform's name",
    apple,
    { values: { description: "Also for Android, with the same crate." } },
    "warning platform-named",
  ],
  ["an emoji in the title", ["google-play"], { values: { name: "Hill Farm 🥕" } }, "error title-loud"],
  ["a title that shouts", ["google-play"], { values: { name: "BEST VEGETABLES EVER" } }, "warning title-loud"],
  ["a rank", ["google-play"], { values: { short: "The #1 crate of the hill." } }, "warning title-loud"],
  ["an update without what is new", apple, { more: { former: "1.0.0" } }, "warning news-missing"],
  [
    "Irish",
    [...apple, "google-play"],
    { more: { languages: ["ga-IE"], captures: captures.map((each) => ({ ...each, language: "ga-IE" })) } },
    "warning language-none",
  ],
  [
    "a telephone's picture of another size",
    ["app-store"],
    sized("iphone", 1170, 2532),
    "error capture-missing",
    "error capture-invalid",
  ],
  [
    "no picture of the tablet that it runs on",
    ["app-store"],
    { more: { captures: captures.filter(({ device }) => device !== "ipad") } },
    "error capture-missing",
  ],
  [
    "one picture of a telephone",
    ["google-play"],
    { more: { captures: captures.filter(({ file }) => !/phone\/en-GB\/2/.test(file)) } },
    "error capture-missing",
  ],
  [
    "a picture that is three times as high as wide",
    ["google-play"],
    sized("phone", 600, 1800),
    "error capture-missing",
    "error capture-invalid",
  ],
  [
    "a desktop of 1280 × 800",
    ["microsoft-store"],
    sized("desktop", 1280, 800),
    "error capture-missing",
    "error capture-invalid",
  ],
  ["three pictures of a Chromebook", ["google-play"], also("chromebook", 3, 1920, 1080), "warning capture-missing"],
  ["a picture of a watch that is round about", ["google-play"], also("wear", 1, 450, 400), ...bothCaptures],
  ["a television that stands", ["app-store"], also("apple-tv", 1, 1080, 1920), ...bothCaptures],
  ["a watch of another size", ["app-store"], also("apple-watch", 1, 400, 500), ...bothCaptures],
  ["a console of 1280 × 720", ["microsoft-store"], also("xbox", 1, 1280, 720), ...bothCaptures],
  ["a preview of 8 seconds", ["app-store"], filmed("iphone", { seconds: 8 }), "error preview-invalid"],
  ["a preview of 31 seconds", ["mac-app-store"], filmed("mac", { seconds: 31 }), "error preview-invalid"],
  ["four previews", ["app-store"], filmed("ipad", {}, {}, {}, {}), "error preview-invalid"],
  ["a preview of 501 MB", ["app-store"], filmed("iphone", { bytes: 501_000_000 }), "error preview-invalid"],
  ["a preview that is cut short", ["app-store"], filmed("iphone", { isCut: true }), "error preview-invalid"],
  ["a preview of another size", ["app-store"], filmed("iphone", { width: 887 }), "warning preview-invalid"],
  ["a film that goes in as an address alone", ["google-play"], filmed("phone", {}), "warning preview-invalid"],
  [
    "an identity that was worked out",
    ["microsoft-store"],
    { more: { derived: new Set(["windows.publisher"]) } },
    "warning identity-derived",
  ],
  [
    "a question that nobody has answered",
    all,
    {
      more: {
        declared: record({}).declared.map((each) =>
          each.declaration.name === "violence" ? { ...each, answer: undefined } : each,
        ),
      },
    },
    "error declaration-missing",
  ],
];

test.each(refused.flatMap(([what, keys, given, ...codes]) => keys.map((store) => ({ what, store, given, codes }))))(
  "$store: $what",
  ({ store, given, codes }) => {
    expect([...new Set(told(store, given))].sort()).toEqual([...codes].sort());
  },
);

/** What is taken, though it may look odd. */
const taken: readonly (readonly [what: string, stores: readonly StoreKey[], given: Given])[] = [
  ["the sound record", all, {}],
  ["a title of 30 characters", [...apple, "google-play"], long("name", 30)],
  ["keywords of 100 characters", apple, long("keywords", 100)],
  ["an update that says what is new", apple, { values: { news: "Pause a crate" }, more: { former: "1.0.0" } }],
  ["the other sizes of 6.9″", ["app-store"], sized("iphone", 1260, 2736)],
  ["6.5″ in their place", ["app-store"], sized("iphone", 1284, 2778)],
  ["a telephone turned", ["app-store"], sized("iphone", 2868, 1320)],
  [
    "no tablet where it runs on none",
    ["app-store"],
    { more: { devices: "phone", captures: captures.filter(({ device }) => device !== "ipad") } },
  ],
  ["four pictures of a Chromebook", ["google-play"], also("chromebook", 4, 1920, 1080)],
  ["a tablet of 7 inches", ["google-play"], also("tablet-7", 1, 1200, 1920)],
  ["a square watch", ["google-play"], also("wear", 1, 384, 384)],
  ["a watch of 422 × 514", ["app-store"], also("apple-watch", 1, 422, 514)],
  ["a television that lies", ["app-store"], also("apple-tv", 1, 3840, 2160)],
  ["a headset", ["app-store"], also("vision", 1, 3840, 2160)],
  ["a console of 1920 × 1080", ["microsoft-store"], also("xbox", 1, 1920, 1080)],
  ["a preview of 15 seconds", ["app-store"], filmed("iphone", { seconds: 15 })],
  ["three previews of 30 seconds", ["app-store"], filmed("iphone", ...Array(3).fill({ seconds: 30 }))],
  ["a desktop of 1366 × 768", ["microsoft-store"], sized("desktop", 1366, 768)],
  ["a name in capitals that is one word", ["google-play"], { values: { name: "HILLFARM Boxes" } }],
  [
    "any language",
    ["microsoft-store"],
    { more: { languages: ["ga-IE"], captures: captures.map((each) => ({ ...each, language: "ga-IE" })) } },
  ],
  [
    "seven terms of three words",
    ["microsoft-store"],
    { values: { keywords: "a b c\nd e f\ng h i\nj k l\nm n o\np q r\ns t u" } },
  ],
  ["a paid app", all, { values: { price: "2.99 EUR" } }],
  ["a video", ["google-play"], { values: { video: "https://www.youtube.com/watch?v=AbCdEfGhIjK" } }],
  ["five tags", ["google-play"], { values: { tags: "a\nb\nc\nd\ne" } }],
  ["licence terms of 10,000", ["microsoft-store"], long("licence", 10_000)],
  ["a telephone with brackets", apple, { values: { contactPhone: "+1 (415) 555-0100" } }],
  ["every country", all, { values: { countries: "all" } }],
  ["a title of 256 characters", ["microsoft-store"], long("name", 256)],
  ["a description of 4,000", [...apple, "google-play"], long("description", 4000)],
  ["a short description of 80", ["google-play"], long("short", 80)],
  ["a subtitle of 30", apple, long("subtitle", 30)],
  ["no subtitle", apple, without("subtitle")],
  ["no website", all, without("marketing")],
  ["adults alone", ["google-play"], { values: { audience: "18+" } }],
];

test.each(taken.flatMap(([what, keys, given]) => keys.map((store) => ({ what, store, given }))))(
  "$store takes $what",
  ({ store, given }) => {
    expect(told(store, given)).toEqual([]);
  },
);
