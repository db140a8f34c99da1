import type { Folder } from "../../ground/files/reading/folder.ts";

/**
 * A file of the template that a build file names, in whatever case: the file systems of the Mac and of Windows do not
 * tell cases apart.
 */
export function findFile(template: Folder, path: string): string | undefined {
  if (template.has(path)) return path;
  const wanted = path.toLowerCase();
  return template.list().find((file) => file.toLowerCase() === wanted);
}
