/** Classes of devices that pictures of a running app are taken on. */
export type CaptureDevice =
  | "phone"
  | "iphone"
  | "ipad"
  | "mac"
  | "desktop"
  | "tablet-7"
  | "tablet-10"
  | "chromebook"
  | "android-tv"
  | "wear"
  | "apple-watch"
  | "apple-tv"
  | "vision"
  | "xbox"
  | "hololens";

/** Pictures of a running app that a store shows: for one class of devices. */
export interface CaptureRow {
  /** The folder in which a client's pictures of it lie: captures/<device>/<language>/. */
  device: CaptureDevice;
  /** What the store calls it. */
  title: string;
  /** Optional: only an app that runs there has any, and what it has is looked at. */
  need: "required" | "recommended" | "optional";
  /** Wanted only where the app runs on these: what its template says. */
  only?: "tablet";
  least: number;
  most: number;
  /** Exactly these, in pixels, upright; turned ones are taken as well. */
  sizes?: readonly (readonly [shorter: number, longer: number])[];
  /** Only wider than high. */
  isWide?: true;
  /**
   * Or any size within these: each side in pixels, the longer one at least, and how many times the shorter one the
   * longer may be.
   */
  within?: { least: number; longest?: number; most: number; ratio: number };
  /** By the ending of a file's name; none has an alpha channel when it is handed over. */
  formats: readonly ("png" | "jpg")[];
  source: string;
  asOf: string;
}
