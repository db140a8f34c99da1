import type { Platform } from "./platform.ts";

const kinds = {
  "application-id": { platform: "android", says: "an application ID" },
  "bundle-identifier": { platform: "ios", says: "a bundle identifier" },
  "round-icon": { platform: "android", says: "a round launcher icon" },
  "adaptive-icon": { platform: "android", says: "an adaptive launcher icon" },
  "themed-icon": { platform: "android", says: "a one-coloured layer for themed icons" },
  "dark-start": { platform: "android", says: "a start screen for the night" },
  "night-colors": { platform: "android", says: "a form for the night of a theme's colour" },
  "display-name": { platform: "ios", says: "a display name of its own" },
  "dark-icon": { platform: "ios", says: "a dark and a tinted icon" },
  "dark-colors": { platform: "ios", says: "a dark form of a colour" },
  "web-manifest": { platform: "web", says: "a web manifest" },
  "touch-icon": { platform: "web", says: "a touch icon" },
  "start-pictures": { platform: "web", says: "start pictures for a home screen" },
  "theme-color": { platform: "web", says: "a theme colour" },
  "dark-theme-color": { platform: "web", says: "a theme colour for dark screens" },
} as const satisfies Record<string, { platform: Platform; says: string }>;

/** What a template may lack, and Oxalis can add in the platform's own way. */
export type MissingKind = keyof typeof kinds;

export const missingKinds: Readonly<Record<MissingKind, { platform: Platform; says: string }>> = kinds;

export const missingNames = Object.keys(kinds) as [MissingKind, ...MissingKind[]];

/** Whether a template wants something added that it lacks. */
export type Wants = (kind: MissingKind) => boolean;
