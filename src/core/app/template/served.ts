import type { Folder } from "../../ground/files/reading/folder.ts";

const builders = /^(CMakeLists\.txt|meson\.build|configure\.(ac|in)|[\w-]+\.pro)$/;

/** Files that only programs have: their resources, what a menu has of them, their projects. */
const native = /\.(rc|desktop(\.in)*|pbxproj|sln)$/i;

/** Where a program's manual lies. */
const manual = /(^|\/)(docs?|documentation|manuals?|help)\//i;

/**
 * Whether pages of a template are parts of a program's windows: something builds one at its top, with no package
 * beside it, and they lie deep within; or of its manual.
 */
export function pagesOfProgram(template: Pick<Folder, "list" | "has">): (file: string) => boolean {
  if (template.has("package.json")) return () => false;
  const isBuilt = template.list().some((file) => builders.test(file));
  const isNative = isBuilt || template.list().some((file) => native.test(file));
  return (file) => (isBuilt && !isServed(file)) || (isNative && manual.test(file));
}

/** Where pages lie that a server hands out. */
const isServed = (file: string): boolean =>
  !file.includes("/") || /(^|\/)(www|web|webapp|public|html|htdocs|site|static)\/[^/]+$/i.test(file);
