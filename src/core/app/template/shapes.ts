import { channels } from "../../ground/values/color.ts";
import { directionOf } from "../../ground/values/language.ts";

/** One of the numbers of a version, none where it has fewer. */
const numberOf = (version: string, at: number): string => version.split(".")[at] ?? "0";

/** How a value is put where the template has `old`: some places hold only a part of it, or want another notation. */
const shapers = {
  text: (value: string) => value,
  /** For what is put in whatever the client: the text stands in `before`. */
  nothing: () => "",
  /** Lines as entries of a list, from within the first one's quotes to within the last one's (JSON). */
  entries: (value: string) => value.split("\n").join('", "'),
  /** #rrggbb, with full opacity in front where the old value had it (Android, #aarrggbb). */
  color: (value: string, old: string) => (old.length === 9 ? `#ff${value.slice(1)}` : value),
  /** Of an icon in layers (Apple, Icon Composer): channels from 0 to 1, opaque. */
  layeredColor: (value: string) =>
    `srgb:${channels(value)
      .map((channel) => (channel / 255).toFixed(5))
      .join(",")},1.00000`,
  /** Of a game engine's settings (Godot, "Color"): channels from 0 to 1, opaque. */
  engineColor: (value: string) =>
    `Color(${channels(value)
      .map((channel) => Number((channel / 255).toFixed(6)))
      .join(", ")}, 1)`,
  /** 0xff1f5d4c, opaque. */
  hexNumber: (value: string) => `0xff${value.slice(1)}`,
  /** Which way a language is written, as a page says it. */
  direction: (value: string) => directionOf(value),
  /** The same as an attribute, which only a language written from right to left needs. */
  directionAttribute: (value: string) => (directionOf(value) === "rtl" ? ' dir="rtl"' : ""),
  red: (value: string, old: string) => component(channels(value)[0], old),
  green: (value: string, old: string) => component(channels(value)[1], old),
  blue: (value: string, old: string) => component(channels(value)[2], old),
  alpha: (_: string, old: string) => (/^\d+$/.test(old) ? "1" : "1.000"),
  /** A version with at least as many parts as the old one: what builds a program may ask for each. */
  versionParts: (value: string, old: string) => {
    const [parts, wanted] = [value.split("."), old.split(".").length];
    return [...parts, ...Array<string>(Math.max(0, wanted - parts.length)).fill("0")].join(".");
  },
  /** A version's numbers with commas between, as many as there were (Microsoft, VERSIONINFO resource). */
  versionCommas: (value: string, old: string) => {
    const between = /,\s+/.test(old) ? ", " : ",";
    return old
      .split(",")
      .map((_, at) => numberOf(value, at))
      .join(between);
  },
  /** A version's numbers, where a build asks for each by itself. */
  versionMajor: (value: string) => numberOf(value, 0),
  versionMinor: (value: string) => numberOf(value, 1),
  versionPatch: (value: string) => numberOf(value, 2),
  /** An identifier's last part, and all in front of it: where a package is put together from a domain and a name. */
  identifierName: (value: string) => value.split(".").at(-1) ?? value,
  identifierDomain: (value: string) => value.split(".").slice(0, -1).join("."),
  /** Of an Android activity (Android documentation, android:screenOrientation). */
  screenOrientation: (value: string) => (value === "any" ? "unspecified" : value),
  /** Of a managed app's settings, where both turns have a word of their own. */
  managedOrientation: (value: string) => (value === "any" ? "default" : value),
  /** Strings of a property list, and a build setting that stands for it (Apple, UISupportedInterfaceOrientations). */
  interfaceOrientations: (value: string) =>
    interfaceOrientations(value)
      .map((each) => `\n\t\t<string>${each}</string>`)
      .join(""),
  /** All four, whatever the client wants of a phone. */
  everyOrientation: () =>
    interfaceOrientations("any")
      .map((each) => `\n\t\t<string>${each}</string>`)
      .join(""),
  everyOrientationSetting: () => interfaceOrientations("any").join(" "),
  orientationSetting: (value: string) => interfaceOrientations(value).join(" "),
  /** What a package prefers (Microsoft, uap:InitialRotationPreference). */
  rotation: (value: string) => rotations(value).join(""),
  /** TARGETED_DEVICE_FAMILY (Apple, build settings reference): 1 is the phone, 2 the tablet. */
  deviceFamily: (value: string) => ({ phone: "1", tablet: "2" })[value] ?? "1,2",
  /** How a target is signed where its profile is known, and as whom (Apple, build settings reference). */
  manualSigning: () => "Manual",
  distributionIdentity: () => "Apple Distribution",
  /** Whether large screens, and whether small ones are wanted (Android documentation, supports-screens). */
  largeScreens: (value: string) => String(value !== "phone"),
  smallScreens: (value: string) => String(value !== "tablet"),
} satisfies Record<string, (value: string, old: string) => string>;

const turns: Readonly<Record<string, readonly string[]>> = {
  portrait: ["Portrait", "PortraitUpsideDown"],
  landscape: ["LandscapeLeft", "LandscapeRight"],
};

function interfaceOrientations(value: string): string[] {
  const named = turns[value] ?? Object.values(turns).flat();
  return named.map((each) => `UIInterfaceOrientation${each}`);
}

function rotations(value: string): string[] {
  const wanted = value === "any" ? ["portrait", "landscape"] : [value];
  return wanted.map((each) => `<uap:Rotation Preference="${each}" />`);
}

export type Shape = keyof typeof shapers;

export const applyShape = (shape: Shape, value: string, old: string): string => shapers[shape](value, old);

/** A colour's component in the notation of the old one: 0x2E, 0.180, or 46 (Apple, asset catalog format reference). */
function component(channel: number, old: string): string {
  if (/^0x/i.test(old)) return `0x${channel.toString(16).toUpperCase().padStart(2, "0")}`;
  if (old.includes(".") || old === "1" || old === "0") return (channel / 255).toFixed(3);
  return String(channel);
}
