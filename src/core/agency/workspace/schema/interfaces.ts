import * as z from "zod";
import { variableForm } from "../../../ground/values/secret.ts";
import { storeKeys } from "../../../ground/values/store.ts";

const variable = z.string().regex(variableForm, "env: and the name of a variable, such as env:STORE_SECRET");

/** Only this machine is spoken to without encryption. */
const isHere = (address: string): boolean => /^http:\/\/(?:localhost|127(?:\.\d+){3}|\[::1\])(?:[:/]|$)/.test(address);

const interfaceSchema = z.strictObject({
  at: z
    .url({ protocol: /^https?$/, error: "an address that begins with https://" })
    .max(500)
    .refine((address) => !URL.canParse(address) || !new URL(address).username, "no password here")
    .refine((address) => address.startsWith("https:") || isHere(address), "https://, but for this machine itself")
    .transform((address) => address.replace(/\/+$/, ""))
    .describe("Where the store's interface is"),
  client: variable.describe("The variable that says who asks, of credentials").optional(),
  secret: variable.describe("The variable with the secret of those credentials").optional(),
  key: variable.describe("The variable with the interface key (PEM); the vault's where it does not say").optional(),
  keyId: z.string().min(1).max(100).describe("What the store calls that key").optional(),
  issuer: z.string().min(1).max(200).describe("Who issued it").optional(),
});

/** How programs work in a store. */
export type Interface = z.infer<typeof interfaceSchema>;

/** The stores' interfaces, by store. */
export const interfacesSchema = z.partialRecord(z.enum(storeKeys), interfaceSchema);
