import { build as plistOf } from "plist";
import type { BuiltFile } from "../../agency/history/builds.ts";
import type { LanguageWords } from "../../pages/words/own.ts";
import { type InstallModel, installPage } from "./page.tsx";
import { installableOf, wantsManifest } from "./steps.ts";

/** A build, for whoever installs it. */
export interface InstallOf extends Pick<InstallModel, "agency" | "accent" | "onAccent" | "name" | "version" | "build"> {
  files: readonly BuiltFile[];
  identifier: string;
  /** Where its folder is served, with a slash behind it; absent where nothing serves it. */
  served: string | undefined;
  /** What has changed, by language. */
  notes: Readonly<Record<string, string>>;
  words: LanguageWords;
}

/** What the page beside a build is called. */
export const installPageName = "install.html";
const manifest = "manifest.plist";

/**
 * What is written beside a build for whoever installs it, by name; nothing where no file of it is installed by hand, or
 * where one that came out has such a name itself.
 */
export function installFilesOf(of: InstallOf): [string, string][] {
  const { files, served, notes, words, identifier, ...shown } = of;
  const installable = installableOf(files);
  if (!installable || files.some(({ path }) => [installPageName, manifest].includes(path))) return [];
  const { file } = installable;
  const fetched = served === undefined ? undefined : new URL(encodeURIComponent(file.path), served).href;
  const isAir = wantsManifest(file) && fetched !== undefined;
  const listed = served && new URL(manifest, served).href;
  const href =
    isAir && listed ? `itms-services://?action=download-manifest&url=${encodeURIComponent(listed)}` : undefined;
  const own = notes[words.language] ?? Object.values(notes)[0];
  const html = installPage({
    ...shown,
    ...{ installable, words, isAir, href: href ?? encodeURIComponent(file.path) },
    ...(served === undefined ? {} : { address: new URL(installPageName, served).href }),
    ...(own === undefined ? {} : { notes: own }),
  });
  return [
    [installPageName, html],
    ...(isAir && fetched ? [[manifest, manifestOf(of, fetched)] as [string, string]] : []),
  ];
}

/** What an Apple device fetches an app by (Apple Platform Deployment, "Distribute proprietary in-house apps"). */
const manifestOf = ({ identifier, version, name }: InstallOf, address: string): string =>
  plistOf({
    items: [
      {
        assets: [{ kind: "software-package", url: address }],
        metadata: { "bundle-identifier": identifier, "bundle-version": version, kind: "software", title: name },
      },
    ],
  });
