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
  lacks: "a Windows project, with no package manifest and no resource script",
  isApp: true,
};
