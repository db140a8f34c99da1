import { longPattern } from "../../../ground/values/long-pattern.ts";
import { lines, quotedLine, type Reader } from "./reader.ts";

/** A line a key (freedesktop.org, Desktop Entry Specification; Inno Setup, script sections). */
export const keyLine = /^[ \t]*([A-Za-z][\w-]*(?:\[[\w@.-]+\])?)[ \t]*=[ \t]*([^\r\n]+)/gm;
/** An entry's own keys; those of its actions are what they do, not what the app is called. */
export const desktopEntry: Reader = (file, source, template) => {
  const groups = [...source.text.matchAll(/^[ \t]*\[([^\]\n]+)\]/gm)];
  const groupAt = (at: number) => groups.findLast(({ index }) => index < at)?.[1];
  return lines(keyLine)(file, source, template).map((each) => {
    const group = groupAt(each.at);
    return group === undefined || group === "Desktop Entry" ? each : { ...each, key: `${group}: ${each.key}` };
  });
};

/** Definitions and version texts of an installer's script (NSIS; Inno Setup). */
export const installerLine = longPattern("gim")`
  ^[ \t]*(?:[!#]define[ \t]+(?:\/\w+[ \t]+)*|VIAddVersionKey[ \t]+(?:\/\S+[ \t]+)?["']?
  |(?=Name|Caption|BrandingText))(\w+)["']?[ \t]+["']([^"'\n]+)["']
`;

/** Calls by which a program of a desktop, or a game's window, says what it is called. */
export const namingCall = longPattern("g")`
  \b(setApplication(?:Display)?Name|setOrganization(?:Name|Domain)|setDesktopFileName
  |g_set_application_name|g_set_prgname|gtk_window_set_title|setWindowTitle|set_application_id
  |SDL_CreateWindow|SDL_SetWindowTitle|SDL_WM_SetCaption|glfwCreateWindow|glutCreateWindow|SetApp(?:Display)?Name)
  \s*\((?:[^"')\n]*,)?\s*(?:[\w.:]+\s*\(\s*){0,2}[LuU@]?["']([^"'\n]+)["']
`;

/** Properties of a bundle that a build script gives without quotes (CMake, MACOSX_BUNDLE_…). */
const bundleProperty = /\b(MACOSX_BUNDLE_\w+|CPACK_\w+)[ \t\r\n]+"?([^"\s$()][^"\n$()]*?)"?(?=[\s)])/g;

/** What a project says of its program (Qt, "qmake Variable Reference"). */
export const qmakeLine = /^[ \t]*(QMAKE_TARGET_\w+)[ \t]*=[ \t]*([^\s#$][^\r\n#$]*[^\s#$\\])[ \t]*$/gm;

/** A setting that is one word, without quotes (CMake, `set`). */
const bareSetting = /^[ \t]*set\s*\(\s*(\w+)\s+([^\s()"$;]+)\s*\)/gim;

export const cmake: Reader = (file, source, template) => [
  ...lines(quotedLine)(file, source, template),
  ...lines(bareSetting)(file, source, template),
  ...lines(bundleProperty)(file, source, template),
];
