import type { Values } from "./clients.ts";
import { anyColor } from "./expect.ts";

/** Text of XML, and of an attribute in double quotes. */
export const xml = (value: string): string => value.replace(/&/g, "&amp;").replace(/</g, "&lt;").replace(/>/g, "&gt;");
export const attribute = (value: string): string => xml(value).replace(/'/g, "&#39;");

/** Densities of launcher pictures. */
const densities = "{mdpi,hdpi,xhdpi,xxhdpi,xxxhdpi}";

/**
 * What an Android app with bitmaps for icons gets besides: layers, a ground, a themed form; the store's pictures; its
 * signing.
 */
export const androidMade = (root: string, res: string, icon = "ic_launcher"): string[] => [
  `${res}/mipmap-${densities}/${icon}_{front,stencil}.png`,
  `${res}/mipmap-anydpi-v26/${icon}{,_round}.xml`,
  `${res}/values/${icon}_ground.xml`,
  ...signed(root),
];

/** What every Android app gets: its signing, and the store's pictures. */
export const signed = (root: string): string[] => [
  `${root ? `${root}/` : ""}signing.gradle`,
  "store/google-play/{icon,feature-graphic.en,feature-graphic.ru}.png",
];

/** The line at the end of a Groovy script, and of one in Kotlin. */
export const groovySigning = '\napply from: "$rootDir/signing.gradle"\n';
export const kotlinSigning = '\napply(from = "$rootDir/signing.gradle")\n';

export const androidNames = (res: string): string[] => [`${res}/values-{ru,iw,de}/app_names.xml`];

/** Names in languages, in an Xcode project whose group for the app's files is found. */
export const xcodeNames = (folder: string): string[] => [`${folder}/{ru,he,de}.lproj/InfoPlist.strings`];

/** Colours of a browser's frame, each on a line of its own. */
export const themeColors = ({ brand }: Values, line: string): string[] => [
  `${line}<meta name="theme-color" media="(prefers-color-scheme: dark)" content="${anyColor}">`,
  `${line}<meta name="theme-color" content="${brand}">`,
];

/** The head of a page that has none of what an installable app needs; behind its title. */
export const pageHead = (client: Values, line: string, touch: string): string =>
  [...themeColors(client, line), `${line}<link rel="apple-touch-icon" href="${touch}">`].join("");

/**
 * Screens of telephones and tablets: width and height in points, pixels a point (Apple, Human Interface Guidelines,
 * Layout).
 */
const screens = [
  [320, 568, 2],
  [375, 667, 2],
  [414, 736, 3],
  [375, 812, 3],
  [414, 896, 2],
  [414, 896, 3],
  [390, 844, 3],
  [393, 852, 3],
  [402, 874, 3],
  [420, 912, 3],
  [428, 926, 3],
  [430, 932, 3],
  [440, 956, 3],
  [744, 1133, 2],
  [768, 1024, 2],
  [810, 1080, 2],
  [820, 1180, 2],
  [834, 1112, 2],
  [834, 1194, 2],
  [834, 1210, 2],
  [1024, 1366, 2],
  [1032, 1376, 2],
] as const;

/** Links of start pictures, one a screen and a turn. */
export const startLinks = (line: string, folder: string): string =>
  screens
    .flatMap(([width, height, ratio]) =>
      (["portrait", "landscape"] as const).map((turn) => {
        const sides = turn === "portrait" ? [width, height] : [height, width];
        const file = `start-${sides.map((side) => side * ratio).join("x")}.png`;
        const media =
          `(device-width: ${width}px) and (device-height: ${height}px) and (-webkit-device-pixel-ratio: ` +
          `${ratio}) and (orientation: ${turn})`;
        return `${line}<link rel="apple-touch-startup-image" media="${media}" href="${folder}${file}">`;
      }),
    )
    .join("");
