import type { AccountCode } from "../account-code.ts";

/** App Store Connect API, "Creating API keys"; a UUID in any case (RFC 9562). */
export const appleAccounts: readonly AccountCode[] = [
  {
    name: "issuer",
    says: "the issuer of keys for interfaces",
    form: {
      is: /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i,
      says: "an issuer ID, such as 69a6de70-03db-47e3-a053-5b8c7c11a4d1",
    },
  },
  {
    name: "key",
    says: "the key for interfaces",
    form: { is: /^[A-Z0-9]{10}$/, says: "a key ID: ten letters or digits, upper case" },
  },
  {
    name: "app",
    says: "the number of the app's record",
    form: { is: /^\d{6,12}$/, says: "the number of an app's record: digits only" },
    isOwn: true,
  },
];
