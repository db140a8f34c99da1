import type { Folder } from "../../ground/files/reading/folder.ts";

const builders = /^(CMakeLists\.txt|meson\.build|configure\.(ac|in)|[\w-]+\.pro)$/;

/**
 * Whether pages of a template are parts of a program's windows: something builds one at its top, with no package
 * beside it, and they lie deep within.
 */
export function pagesOfProgram(template: Pick<Folder, "list" | "has">): (file: string) => boolean {
  const isProgram = !template.has("package.json") && template.list().some((file) => builders.test(file));
  return (file) => isProgram && !isServed(file);
}

/** Where pages lie that a server hands out. */
const isServed = (file: string): boolean =>
  !file.includes("/") || /(^|\/)(www|web|webapp|public|html|htdocs|site|static)\/[^/]+$/i.test(file);
