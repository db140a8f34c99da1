import { platforms } from "../../core/ground/values/platform.ts";
import type { Row } from "./row.ts";
import { client, clients, inWorkspace, ofClients } from "./shared.ts";

const kinds = ["major", "minor", "patch", "rebuild"] as const;
const others = (kind: string) => kinds.filter((each) => each !== kind);

/** Commands about what is in use: versions, build numbers, identifiers, clients. */
export const versionRows = {
  release: {
    says: "take the next version and build number of what is proven",
    arguments: { clients: { ...clients, says: "keys of clients, or patterns" } },
    options: {
      ...inWorkspace,
      ...ofClients,
      major: { kind: "flag", says: "the next major version", conflicts: others("major") },
      minor: { kind: "flag", says: "the next minor version", conflicts: others("minor") },
      patch: { kind: "flag", says: "the next patch version", conflicts: others("patch") },
      rebuild: {
        kind: "flag",
        says: "the same version again, under the next build number",
        conflicts: others("rebuild"),
      },
      note: {
        kind: "texts",
        value: "<text>",
        says: "what changed; with a language in front, de=…, for that language",
      },
      platform: {
        kind: "texts",
        value: "<platform>",
        of: platforms,
        says: "only for this platform; may be given several times",
      },
      force: { kind: "flag", says: "also what is not proven, or under an identifier that nobody is sure of" },
      takeBack: {
        kind: "flag",
        says: "give the last number back, as one taken by mistake",
        conflicts: [...kinds, "note", "platform", "force"],
      },
      dryRun: { kind: "flag", says: "say which numbers would be taken, and write nothing" },
    },
  },
  retire: {
    says: "take clients out of service: their variants go, all else stays; or bring them back",
    arguments: { clients: { ...clients, says: "keys of clients, or patterns" } },
    options: {
      ...inWorkspace,
      ...ofClients,
      back: { kind: "flag", says: "bring them back into service" },
      dryRun: { kind: "flag", says: "say who would go or come, and write nothing" },
    },
  },
  "rename-identifier": {
    says: "change an identifier that is in use; says what that breaks",
    arguments: {
      client,
      platform: { says: "the platform", needed: "required", of: platforms },
      identifier: { says: "the new identifier", needed: "required" },
    },
    options: { ...inWorkspace, yes: { kind: "flag", says: "do it, knowing what it breaks" } },
  },
} as const satisfies Readonly<Record<string, Row>>;
