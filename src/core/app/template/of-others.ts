/** Folders in which an app keeps what others made: their apps are not the template's, nor are their names. */
const folders =
  /(^|\/)(Carthage|third[_-]?party|3rd[_-]?party|external|externals|vendor|vendors|bower_components|subprojects)\//i;

/** A licence of its own, beside libraries that an app takes along, makes a folder somebody else's. */
const ownLicense = /^(.*\/)?(libs?|libraries|deps|dependencies|contrib)\/[^/]+\/(LICEN[CS]E|COPYING)([.-][^/]*)?$/i;

/** What is the template's own among some of its files; all of them where everything lies in such folders. */
export function ownAmong(files: readonly string[]): readonly string[] {
  const others = new Set(
    files.filter((file) => ownLicense.test(file)).map((file) => file.slice(0, file.lastIndexOf("/") + 1)),
  );
  const own = files.filter((file) => !folders.test(file) && !(others.size > 0 && liesIn(file, others)));
  return own.length > 0 ? own : files;
}

function liesIn(file: string, folders: ReadonlySet<string>): boolean {
  for (let at = file.indexOf("/"); at !== -1; at = file.indexOf("/", at + 1))
    if (folders.has(file.slice(0, at + 1))) return true;
  return false;
}
