import { attributeSite, find, findAll, parseXml, type XmlElement } from "../../../formats/splice/formats/xml.ts";
import { emptySite } from "../../../formats/splice/site.ts";
import type { DevicePlaces } from "../../template/device-places.ts";
import type { Fill } from "../../template/found.ts";
import { opensApp } from "./manifest.ts";

/** A manifest, and the source set whose folder it lies in; it may lie elsewhere. */
const manifestForm = /^(?:(?:.*\/)?src\/(?<set>[^/]+)\/|(?:.*\/)?)AndroidManifest\.xml$/;

/** Whether a manifest is an app's main one: by where it lies, or by what it holds. */
function isMain(file: string, root: XmlElement): boolean {
  const set = manifestForm.exec(file)?.groups?.set;
  return set === undefined ? findAll(root, "activity").some(opensApp) : /^(main|androidMain)$/.test(set);
}

/** Screens that a manifest supports, and how each of its activities may be turned. */
export const androidDevices: DevicePlaces = (template, files) =>
  files
    .filter((file) => manifestForm.test(file))
    .flatMap((file): Fill[] => {
      const root = parseXml(template.source(file));
      if (!isMain(file, root)) return [];
      const application = find(root, "application");
      const turned = findAll(root, "activity").flatMap((activity): Fill[] => {
        const site = attributeSite(file, activity, "android:screenOrientation");
        if (site) return [{ holds: "orientation", site, shape: "screenOrientation" }];
        const name = activity.attributes.get("android:name");
        if (!opensApp(activity) || !name) return [];
        const opens = ' android:screenOrientation="';
        return [
          {
            holds: "orientation",
            site: emptySite(file, name.end + 1, "xml-attribute"),
            shape: "screenOrientation",
            opens,
            closes: '"',
          },
        ];
      });
      return [...turned, ...(application ? screens(file, root, application) : [])];
    });

const screenSizes = [
  { attribute: "android:smallScreens", shape: "smallScreens" },
  { attribute: "android:normalScreens", shape: "smallScreens" },
  { attribute: "android:largeScreens", shape: "largeScreens" },
  { attribute: "android:xlargeScreens", shape: "largeScreens" },
] as const;

/** The screens that a manifest supports: where it says so, or in front of the application. */
function screens(file: string, root: XmlElement, application: XmlElement): Fill[] {
  const own = find(root, "supports-screens");
  return screenSizes.flatMap(({ attribute, shape }, at): Fill[] => {
    const there = attributeSite(file, own, attribute);
    if (there) return [{ holds: "devices", site: there, shape }];
    const last = at === screenSizes.length - 1;
    const opens = `${at === 0 && !own ? "<supports-screens" : ""} ${attribute}="`;
    const closes = last && !own ? '" />\n\n    ' : '"';
    const place = own ? own.start + `<${own.name}`.length : application.start;
    return [{ holds: "devices", site: emptySite(file, place, "xml-attribute"), shape, opens, closes }];
  });
}
