/** Folders in which an app keeps what others made: their apps are not the template's, nor are their names. */
const folders = /(^|\/)(Carthage|third[_-]?party|external|externals|vendor|vendors|bower_components)\//i;

/** What is the template's own among some of its files; all of them where everything lies in such folders. */
export function ownAmong(files: readonly string[]): readonly string[] {
  const own = files.filter((file) => !folders.test(file));
  return own.length > 0 ? own : files;
}
