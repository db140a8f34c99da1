import type { Installation } from "../../agency/workspace/schema/agency.ts";
import type { Field } from "../../ground/values/fields.ts";
import type { Platform } from "../../ground/values/platform.ts";

/** What the page says of one client. */
export interface Sheet {
  key: string;
  /** What the app is for, where it is not for the store. */
  stage?: { name: string; installs: Installation };
  values: Partial<Record<Field, string>>;
  /** The label under the icon, cut where a home screen cuts it. */
  label: string;
  /** Which way its own language is written, and that language. */
  direction: "ltr" | "rtl";
  locale: string;
  /** What the app could tell whoever has it, in the client's own words; absent where it has none. */
  news?: string;
  /** Pictures by the names that the scenes use, as data URIs. */
  pictures: ReadonlyMap<string, string>;
  /** Platforms that the template has a part for. */
  platforms: readonly Platform[];
  /** What signs it on each platform, by the beginning of its fingerprint; nothing where no keys are kept here. */
  signing: Partial<Record<Platform, { is: "known" | "absent" | "wrong"; mark: string }>>;
  /** Icons of several targets or configurations, each by the name of its picture. */
  icons: readonly { picture: string; belongs: string; folder: string }[];
  /** Names by language, the main one first; none where there is one alone. */
  names: readonly { locale: string; direction: "ltr" | "rtl"; name: string; label: string; main: boolean }[];
  /**
   * Short check sum over everything in the variant, behind the name of its stage; a signature stands for this state
   * and no other.
   */
  state: string;
  /** Files in the variant. */
  files: number;
}
