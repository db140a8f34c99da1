import { longPattern } from "../../ground/values/long-pattern.ts";

/** Files that are an app's, or look like one's, and what would have to be so for a survey to take them up. */
export interface Sign {
  file: RegExp;
  /** What has to stand in it, where its name alone does not tell. */
  holds?: RegExp;
  lacks: string;
  /** Also told where another part was understood: it is no library's and no test's. */
  isApp?: true;
}

export const xcodeProject: Sign = {
  file: /(^|\/)project\.pbxproj$/,
  lacks: "an Xcode project without a target that is an app",
  isApp: true,
};

export const windowsProject: Sign = {
  file: /\.(sln|vcxproj|csproj|wapproj)$/,
  // Of telephones, and what they share, other parts tell.
  holds: longPattern("i")`
    ^(?![\s\S]*(net\d[\d.]*-(android|ios)\b|AndroidApplication|Xamarin|netstandard|\.(Android|iOS)\.csproj
    |\{(EFBA0AD7|FEACFBD2)-))
  `,
  lacks: "a Windows project, with no package manifest and no resource script",
  isApp: true,
};
