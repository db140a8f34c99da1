import type { AccountCode } from "../account-code.ts";

/** Play Console, "Developer account". */
export const googlePlayAccounts: readonly AccountCode[] = [
  {
    name: "developer",
    says: "the number of the developer account",
    form: { is: /^\d{10,20}$/, says: "the number of a developer account: 10 to 20 digits" },
  },
];
