import { attributeOf, findAll, type XmlElement } from "../../../formats/splice/formats/xml.ts";

/** Whether an activity is one that people open the app by. */
export const opensApp = (activity: XmlElement): boolean =>
  findAll(activity, "category").some(
    (each) => attributeOf(each, "android:name") === "android.intent.category.LAUNCHER",
  );
