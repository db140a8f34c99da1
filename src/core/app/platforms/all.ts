import { type Platform, platforms } from "../../ground/values/platform.ts";
import { android } from "./android/android.ts";
import type { PlatformDefinition } from "./definition.ts";
import { desktop } from "./desktop/desktop.ts";
import { ios } from "./ios/ios.ts";
import { web } from "./web/web.ts";
import { windows } from "./windows/windows.ts";

/** Every platform by its name. */
export const definitions: Readonly<Record<Platform, PlatformDefinition>> = {
  android,
  ios,
  desktop,
  windows,
  web,
};

/** What a template may lack, by its kind: of which platform, and what it is. */
export const missingKinds: Readonly<Record<string, { platform: Platform; says: string }>> = Object.fromEntries(
  platforms.flatMap((platform) =>
    Object.entries(definitions[platform].missing).map(([kind, says]) => [kind, { platform, says }]),
  ),
);
