import { longPattern } from "../../../ground/values/long-pattern.ts";
import type { ValueLimit } from "../limit.ts";

/** Attributes of an X.500 name that a package's publisher may have (Microsoft, package manifest schema, Identity). */
const distinguishedPart = longPattern()`
  ^(CN|L|O|OU|E|C|S|STREET|T|G|I|SN|DC|SERIALNUMBER|Description|PostalCode|POBox|Phone
  |X21Address|dnQualifier|(OID\.(0|[1-9]\d*)(\.(0|[1-9]\d*))+))=(("[^"]*("")?[^"]*")
  |[^,+="<>#;]+)$
`;

/** Whether a text is an X.500 name, as a certificate's subject is. */
const isDistinguishedName = (text: string): boolean => {
  const parts = text.split(/,(?=(?:[^"]*"[^"]*")*[^"]*$)/);
  return parts.every((part) => distinguishedPart.test(part.trim().replaceAll('""', "")));
};

/** Whether each number of a version fits where Windows keeps it. */
const isSmall = (version: string): boolean => version.split(".").every((part) => Number(part) <= 65_535);

/** Microsoft, package manifest schema, Identity. */
export const windowsLimits: readonly ValueLimit[] = [
  {
    field: "version",
    code: "version-invalid",
    keeps: (value) => /^[1-9]\d*\./.test(value) && isSmall(value),
    says: "three whole numbers up to 65535, the first not 0: Windows accepts no other form",
  },
  {
    field: "windows.version",
    code: "version-invalid",
    keeps: (value) => /^[1-9]\d*(\.\d+){3}$/.test(value) && isSmall(value),
    says: "four whole numbers up to 65535, the first not 0: Windows accepts no other form",
  },
  {
    field: "windows.publisher",
    code: "value-invalid",
    keeps: isDistinguishedName,
    says: "an X.500 name, such as CN=Hill Farm, O=Hill Farm, C=GB: the subject of the certificate",
  },
];
