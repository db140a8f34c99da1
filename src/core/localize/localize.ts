import type { Template } from "../template/read.ts";
import type { Platform } from "../values/platform.ts";
import { localizeAndroid } from "./android.ts";
import { localizeIos } from "./ios.ts";
import { type Localize, type Localized, nothingLocalized, type Spoken } from "./localized.ts";
import { localizeWeb } from "./web.ts";
import { localizeWindows } from "./windows.ts";

const ways: Readonly<Record<Platform, Localize>> = {
  android: localizeAndroid,
  ios: localizeIos,
  desktop: () => nothingLocalized(),
  windows: localizeWindows,
  web: localizeWeb,
};

/** Everything that a client's names in further languages take, over all parts of the template. Pure. */
export function localize(
  { folder, parts }: Template,
  names: readonly Spoken[],
  main: Spoken | undefined,
): Localized {
  const all = nothingLocalized();
  if (names.length === 0 || !main) return all;
  for (const part of parts) {
    const { writes, copies, values, inserts, gaps } = ways[part.platform](folder, part, names, main);
    all.writes.push(...writes);
    all.copies.push(...copies);
    all.values.push(...values);
    all.inserts.push(...inserts);
    all.gaps.push(...gaps);
  }
  return all;
}
