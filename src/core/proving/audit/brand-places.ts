import { longPattern } from "../../ground/values/long-pattern.ts";

/** Places where a brand stands, by path; each with whose documentation says so, or why it does. */
const brandPlaces: readonly { path: RegExp; reason: string }[] = [
  {
    path: /(^|\/)mipmap(-[\w+-]+)*\/[^/]+\.(png|webp)$/i,
    reason: "Android documentation, app resources: mipmaps are launcher icons",
  },
  {
    path: longPattern("i")`
      (^|\/)drawable(-[\w+-]+)*\/[^/]*(ic_launcher|launcher|app_?icon|logo|splash|banner|brand
      |notification_icon|ic_stat|start)[^/]*\.(png|webp|jpe?g|xml)$
    `,
    reason: "Android: drawables that are called after icons, start screens, banners and notifications",
  },
  { path: /\.appiconset\//i, reason: "Apple, asset catalog reference: app icons" },
  { path: /\.icon\/Assets\//i, reason: "Apple, Icon Composer: the layers of an app's icon" },
  {
    path: /(Splash|Launch|Logo|Brand)[\w.-]*\.imageset\//i,
    reason: "Apple: image sets that are called after start screens and logos",
  },
  {
    path: /(^|\/)(Assets|Images)\/[^/]*(Logo|Tile|Splash|Badge)[^/]*\.(png|jpe?g)$/i,
    reason: "Microsoft, app icons and logos: tiles, logos, badges and start screens of a package",
  },
  {
    path: longPattern("i")`
      (^|\/)(favicon|apple-(touch-)?icon|touch-icon|android-chrome|mstile|maskable|og-?image
      |opengraph-image|social|pwa-?\d|app-?icon|icon(?!s)|logo|splash|brand|adaptive-icon
      |android-icon)[\w@.-]*\.(png|ico|icns|svg|webp|jpe?g)$
    `,
    reason: "names by which pages, manifests and settings call icons, logos and start pictures",
  },
  {
    path: longPattern("i")`
      (^|\/)icons?\/([^/]*(icon|logo|app|launcher|maskable|favicon)[^/]*|([^/]*[-_.])?(16|24|32|48
      |64|72|96|128|144|150|152|167|180|192|256|384|512|1024)(x\d+)?(@\dx)?)\.(png|ico|icns|svg)$
    `,
    reason:
      "folders of an app's icons, each called by its size or as one; signs for buttons are called by what they show",
  },
];

/** Forms in which only icons are kept: mostly the app's own. */
const iconForm = /\.(ico|icns)$/i;

/** What an app's own icon is called where there are others beside it. */
const ownIcon = /(^|\/)(app(lication)?|main|program|(un)?install(er)?|setup|win(dows|32)?)\.(ico|icns)$/i;

/** So many icons in one folder are signs of buttons and of kinds of files. */
const aSet = 4;

/** Which of a template's files stand where a brand does. */
export function brandPlacesAmong(files: readonly string[]): string[] {
  const folderOf = (file: string) => file.slice(0, file.lastIndexOf("/") + 1);
  const beside = new Map<string, number>();
  for (const folder of files.filter((file) => iconForm.test(file)).map(folderOf))
    beside.set(folder, (beside.get(folder) ?? 0) + 1);
  const isIcon = (file: string) =>
    iconForm.test(file) && (ownIcon.test(file) || (beside.get(folderOf(file)) ?? 0) < aSet);
  return files.filter((file) => brandPlaces.some(({ path }) => path.test(file)) || isIcon(file));
}
