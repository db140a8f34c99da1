import type { Folder } from "../../ground/files/reading/folder.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import type { InEach } from "../../ground/values/page-language.ts";
import type { Scenes } from "../../pages/parts/scenes.ts";
import type { Slot } from "../../pictures/slots/slot.ts";
import type { BuildFiles } from "../template/build-files.ts";
import type { ColorPlaces } from "../template/color-places.ts";
import type { DevicePlaces } from "../template/device-places.ts";
import type { Feature, FeatureSearch } from "../template/feature-places.ts";
import type { SurveyPart } from "../template/found.ts";
import type { Identifiers } from "../template/identifiers.ts";
import type { Localize } from "../template/localized.ts";
import type { MissingKinds } from "../template/missing.ts";
import type { Sign } from "../template/sign.ts";
import type { ValueLimit } from "./limit.ts";

/**
 * What a system's mask may cut away of pictures of a role: the shape of what surely stays, as a share of the canvas.
 */
export interface SafeShape {
  role: RegExp;
  shape: "circle" | "rounded";
  share: number;
}

/** A platform as the rest of Oxalis walks it; nothing else asks which one it is. */
/** @typeParam Role what its pictures are, from the table of their titles */
export interface PlatformDefinition<Role extends string = string> {
  /** Every picture that it wants: its catalog. */
  slots: readonly Slot<Role>[];
  /** What a designer would call its pictures, by role. */
  titles: Readonly<Record<Role, InEach>>;
  masks: readonly SafeShape[];
  /** Roles of the pictures that people open an app by: a stage marks those. */
  opensBy: RegExp;
  identifiers: Identifiers;
  /** What it takes of further values. */
  limits: readonly ValueLimit[];
  /** Most that a build number may be. */
  mostBuilds: number;
  survey: SurveyPart;
  /** What no variant gets of a template, though its build files name it. */
  leavesOut(template: Folder): readonly Problem[];
  /** What a template may lack of it, and is added. */
  missing: MissingKinds;
  /** Files that are an app's, or look like one's, though none was understood. */
  signs: readonly Sign[];
  /** What its builds run on, by the name of a build server's machine. */
  runsOn: "ubuntu" | "macos" | "windows";
  localize: Localize;
  /** Lists of names that template.yaml may give for a feature: what of the build files it needs. */
  declares: readonly string[];
  features: FeatureSearch;
  /** Keys of the texts that people read when the app asks for something. */
  usageKeys(feature: Feature): readonly string[];
  devices: DevicePlaces;
  colors: ColorPlaces;
  buildFiles: BuildFiles;
  scenes: Scenes;
}
