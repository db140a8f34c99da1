/** A form of identifier that some service or store gives out. */
export interface AnswerForm {
  says: string;
  pattern: RegExp;
  example: string;
  /** What is often given instead, and what it really is. */
  mistaken?: readonly { pattern: RegExp; says: string }[];
}

const webMeasurement = { pattern: /^(G|UA|GTM)-/i, says: "a web page's measurement ID" };

/** Forms that are known for going wrong, each as its service documents it. */
export const answerForms: Readonly<Record<string, AnswerForm>> = {
  "mobile-analytics": {
    says: "an app's ID for mobile analytics",
    pattern: /^\d+:\d+:(android|ios):[0-9a-f]+$/,
    example: "1:123456789012:android:0a1b2c3d4e5f",
    mistaken: [webMeasurement],
  },
  "web-measurement": {
    says: "a web page's measurement ID",
    pattern: /^G-[A-Z0-9]{6,12}$/,
    example: "G-AB12CD34EF",
    mistaken: [{ pattern: /^\d+:\d+:/, says: "an app's ID for mobile analytics" }],
  },
  "ad-app": {
    says: "an app's ID for advertising",
    pattern: /^ca-app-pub-\d{16}~\d{10}$/,
    example: "ca-app-pub-1234567890123456~1234567890",
    mistaken: [{ pattern: /^ca-app-pub-\d+\//, says: "the ID of a single ad unit" }],
  },
  "ad-unit": {
    says: "the ID of a single ad unit",
    pattern: /^ca-app-pub-\d{16}\/\d{10}$/,
    example: "ca-app-pub-1234567890123456/1234567890",
    mistaken: [{ pattern: /^ca-app-pub-\d+~/, says: "an app's ID for advertising" }],
  },
  team: {
    says: "an Apple team ID: ten letters or digits",
    pattern: /^[A-Z0-9]{10}$/,
    example: "A1B2C3D4E5",
    mistaken: [{ pattern: /^\d{6,9}$|@/, says: "an account's number or address" }],
  },
  key: {
    says: "an Apple key ID: ten letters or digits",
    pattern: /^[A-Z0-9]{10}$/,
    example: "K1L2M3N4P5",
    mistaken: [{ pattern: /^[0-9a-f]{8}-/i, says: "an issuer ID" }],
  },
  issuer: {
    says: "an Apple issuer ID: a UUID",
    pattern: /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i,
    example: "69a6de70-03db-47e3-e053-5b8c7c11a4d1",
    mistaken: [{ pattern: /^[A-Z0-9]{10}$/, says: "a key ID or a team ID" }],
  },
  "app-record": {
    says: "the number of an app's record in Apple's store: digits only",
    pattern: /^\d{6,12}$/,
    example: "1234567890",
    mistaken: [{ pattern: /^id\d+$/i, says: "the number with id in front, as it stands in addresses" }],
  },
  host: {
    says: "a host name, without https:// and without a path",
    pattern: /^(?=.{1,253}$)([a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?\.)+[a-z]{2,63}$/,
    example: "shop.hillfarm.example",
    mistaken: [{ pattern: /^\w+:\/\//, says: "a whole address" }],
  },
};

/** Forms of files that are for one app alone, and are checked inside. */
export const fileForms = {
  "push-android": "a push service's configuration for Android, JSON, with this client's application ID in it",
  "push-ios": "a push service's configuration for iOS, a property list, with this client's bundle identifier in it",
} as const;
