import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import sharp from "sharp";
import type * as tables from "./tables.ts";

/** What identifies an app, by hand from reading it. */
export interface Known {
  names: readonly string[];
  identifiers?: readonly string[];
  hosts?: readonly string[];
  schemes?: readonly string[];
}

/** What each app says of itself. */
export const knownOf: Readonly<Record<keyof typeof tables, Known>> = {
  bareJavaScript: { names: ["TideTable"], identifiers: ["com.tidetable"] },
  bareJavaScriptFlavours: { names: ["TideTable"], identifiers: ["com.tidetable"] },
  managed: { names: ["Tide Table"], schemes: ["tidetable"] },
  managedLayers: { names: ["TideTable"], schemes: ["tidetable"] },
  managedCode: {
    names: ["Tide Table"],
    identifiers: ["example.quayside.tidetable"],
    schemes: ["tidetable"],
    hosts: ["quayside.example"],
  },
  managedNative: {
    names: ["TideTable"],
    identifiers: ["example.quayside.tidetable"],
    hosts: ["quayside.example"],
  },
  wrapperCode: {
    names: ["Tide Table"],
    identifiers: ["example.quayside.tidetable"],
    hosts: ["quayside.example"],
  },
  wrapperXml: {
    names: ["Tide Table"],
    identifiers: ["example.quayside.tidetable"],
    hosts: ["quayside.example"],
  },
  wrapperAndroid: {
    names: ["Tide Table", "Hello Cordova"],
    identifiers: ["example.quayside.tidetable", "org.apache.cordova.hellocordova"],
    hosts: ["quayside.example"],
  },
  bundledPage: { names: ["Tide Table"] },
  pageFramework: { names: ["Create Next App"] },
  desktopShell: {
    names: ["Tide Table"],
    identifiers: ["example.quayside.tidetable"],
    hosts: ["quayside.example"],
  },
  windowsCpp: { names: ["TideTable"] },
  macAndPhone: { names: ["TideTable"] },
  dartLayout: {
    names: ["Tide Table", "tide_table"],
    identifiers: ["example.quayside.tide_table", "example.quayside.tideTable"],
    hosts: ["quayside.example"],
  },
  gradleCatalog: {
    names: ["Tide Table"],
    identifiers: ["example.quayside.tidetable"],
    hosts: ["quayside.example"],
  },
  gradleFlavours: {
    names: ["Tide Table"],
    identifiers: ["example.quayside.tidetable"],
    hosts: ["quayside.example"],
  },
  xcodeMany: {
    names: ["Tides"],
    identifiers: ["example.quayside.tides"],
    schemes: ["quaytides"],
    hosts: ["quayside.example"],
  },
  phoneTelevisionWatch: { names: [], identifiers: ["com.facebook.IntegrationApp"] },
  androidGroovy: {
    names: ["Appium Settings"],
    identifiers: ["io.appium.settings"],
    hosts: ["appium.io"],
  },
  androidKotlin: { names: [], identifiers: ["io.appium.espressoserver"], hosts: ["appium.io"] },
};

/** A file that people or systems meet, with something in it that names an app. */
interface Carrier {
  of: keyof Known;
  file(at: number): string;
  text(term: string): string;
}

const textCarriers: readonly Carrier[] = [
  {
    of: "names",
    file: (at) => `more/src/main/res/values/texts_${at}.xml`,
    text: (term) => `<resources>\n  <string name="greeting">Welcome to ${term}!</string>\n</resources>\n`,
  },
  {
    of: "names",
    file: (at) => `more/en.lproj/Texts${at}.strings`,
    text: (term) => `/* shown first */\n"greeting" = "Welcome to ${term}";\n`,
  },
  {
    of: "names",
    file: (at) => `more/Extra${at}.plist`,
    text: (term) =>
      `<?xml version="1.0"?>\n<plist version="1.0">\n<dict>\n\t<key>NSCameraUsageDescription</key>\n` +
      `\t<string>${term} reads a code.</string>\n</dict>\n</plist>\n`,
  },
  {
    of: "names",
    file: (at) => `more/help-${at}.html`,
    text: (term) => `<!doctype html>\n<title>Help</title>\n<p>${term} opens at eight.</p>\n`,
  },
  {
    of: "names",
    file: (at) => `more/Start${at}.storyboard`,
    text: (term) =>
      `<?xml version="1.0"?>\n<document>\n  <label text="${term}" id="a"/>\n  <image name="x"/>\n</document>\n`,
  },
  {
    of: "names",
    file: (at) => `more/settings-${at}.json`,
    text: (term) => `{ "heading": "About ${term}" }\n`,
  },
  {
    of: "names",
    file: (at) => `more/Strings/en-US/Resources${at}.resw`,
    text: (term) => `<root>\n  <data name="greeting"><value>${term} at your service</value></data>\n</root>\n`,
  },
  {
    of: "identifiers",
    file: (at) => `more/google-services-${at}.json`,
    text: (term) => `{ "client_info": { "android_client_info": { "package_name": "${term}" } } }\n`,
  },
  {
    of: "identifiers",
    file: (at) => `more/Shared${at}.entitlements`,
    text: (term) =>
      `<plist version="1.0">\n<dict>\n\t<key>com.apple.security.application-groups</key>\n\t<array>\n` +
      `\t\t<string>group.${term}</string>\n\t</array>\n</dict>\n</plist>\n`,
  },
  {
    of: "hosts",
    file: (at) => `more/support-${at}.js`,
    text: (term) => `export const help = "https://www.${term}/help";\n`,
  },
  {
    of: "hosts",
    file: (at) => `more/contact-${at}.html`,
    text: (term) => `<p><a href="mailto:team@${term}">Write to us</a></p>\n`,
  },
  {
    of: "schemes",
    file: (at) => `more/links-${at}.html`,
    text: (term) => `<p><a href="${term}://stock/7">Open it in the app</a></p>\n`,
  },
  {
    of: "schemes",
    file: (at) => `more/src/main/res/xml/shortcuts_${at}.xml`,
    text: (term) => `<shortcuts>\n  <intent android:data="${term}://new"/>\n</shortcuts>\n`,
  },
];

/** Ways in which a picture is changed, and is still the same to whoever sees it. */
const disguises: readonly { ending: string; put(bytes: Buffer, at: number): Promise<Buffer> }[] = [
  {
    ending: "png",
    put: (bytes, at) =>
      sharp(bytes)
        .resize(64 + 16 * (at % 9))
        .png()
        .toBuffer(),
  },
  {
    ending: "jpg",
    put: (bytes) => sharp(bytes).flatten({ background: "#1f5d4c" }).jpeg({ quality: 72 }).toBuffer(),
  },
  { ending: "webp", put: (bytes) => sharp(bytes).webp({ quality: 60 }).toBuffer() },
  {
    ending: "png",
    put: (bytes, at) =>
      sharp(bytes)
        .modulate({ hue: 40 * (1 + (at % 8)) })
        .png()
        .toBuffer(),
  },
  {
    ending: "png",
    put: (bytes) => sharp(bytes).greyscale().png().toBuffer(),
  },
  {
    ending: "png",
    put: (bytes) => sharp(bytes).negate({ alpha: false }).png().toBuffer(),
  },
];

/**
 * Plants so many residues in a variant, each in a file of its own, in turn of every form that the app has a word for.
 */
export async function plant(variant: string, known: Known, brand: readonly string[], count: number): Promise<string[]> {
  const carriers = textCarriers.filter(({ of }) => (known[of] ?? []).length > 0);
  const planted: string[] = [];
  const put = (file: string, content: string | Buffer) => {
    const path = join(variant, file);
    mkdirSync(dirname(path), { recursive: true });
    writeFileSync(path, content);
    planted.push(file);
  };
  for (let at = 0; planted.length < count; at++) {
    const carrier = carriers[at % carriers.length];
    const terms = carrier ? (known[carrier.of] ?? []) : [];
    const term = terms[at % terms.length];
    if (carrier && term !== undefined) put(carrier.file(at), carrier.text(term));
    if (at % 2 === 1 || planted.length >= count) continue;
    const turn = at / 2;
    const disguise = disguises[turn % disguises.length];
    const picture = brand[(turn * 7) % Math.max(brand.length, 1)];
    if (disguise && picture !== undefined)
      put(`more/seen-${at}.${disguise.ending}`, await disguise.put(readFileSync(picture), turn));
  }
  return planted;
}
