/** What stands behind a file's own ending where a build puts values in: `Info.plist.in`, `app.desktop.in.in`. */
const filledByBuild = /(\.[\w-]+)\.(?:in|cmake|tmpl|tpl|template|mustache|hbs|ejs|erb|j2|jinja2?)$/i;

/** A file's path as if no build put values in: what its format is shows there. */
export function withoutBuildEnding(path: string): string {
  const plain = path.replace(filledByBuild, "$1");
  return plain === path ? path : withoutBuildEnding(plain);
}
