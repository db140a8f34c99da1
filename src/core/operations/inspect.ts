import { basename } from "node:path";
import { lastRelease } from "../agency/history/ledger.ts";
import { type PackageFacts, packageKinds } from "../app/packages/facts.ts";
import { readPackage } from "../app/packages/read.ts";
import type { Resolved } from "../app/variant/variant.ts";
import { resolveAll } from "../clients/derive/resolve.ts";
import { type KeyRole, keyRoleFacts } from "../clients/keys/roles.ts";
import { ownKeys } from "../clients/keys/standing.ts";
import { type Problem, problem } from "../ground/problems/problem.ts";
import { attemptAsync } from "../ground/problems/result.ts";
import { largestPackage } from "../ground/values/package.ts";
import { openPackageEyes, type PackageEyes } from "../proving/packages/eyes.ts";
import { judgePackage } from "../proving/packages/judge.ts";
import { readNamed } from "./running/named.ts";
import { operation } from "./running/operation.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At {
  files: readonly string[];
}

/** A package that was looked into. */
export interface Inspected {
  file: string;
  size: number;
  /** Absent of a file that is no package that is known. */
  facts?: PackageFacts;
  /** Whose it is, by its identifier; absent where it is nobody's here. */
  client?: string;
  problems: readonly Problem[];
}

/**
 * Looks into packages, whoever built them. In a workspace, one whose identifier is a client's is held against what that
 * client's app has to be; elsewhere it is told alone.
 */
export const inspectPackages = operation(async (input: Input, ports): Promise<Inspected[]> => {
  const read = input.files.map((named) => {
    const { name, bytes } = readNamed(ports, named, largestPackage);
    const isAlone = input.files.filter((each) => basename(each) === name).length === 1;
    return { file: isAlone ? name : named, bytes };
  });
  const opened = await attemptAsync(() => openWorkspace(input, ports));
  const clients = opened.ok ? await resolveAll(opened.value) : [];
  let eyes: PackageEyes | undefined;
  const all: Inspected[] = [];
  for (const { file, bytes } of read) {
    const facts = await readPackage(bytes);
    const size = bytes.length;
    if (!facts) {
      const message = `${file} is no package of Android, iOS or Windows that can be read.`;
      all.push({ file, size, problems: [problem("package-unreadable", message)] });
      continue;
    }
    const owner = ownerOf(facts, clients);
    const problems: Problem[] = [];
    if (owner?.variant && opened.ok) {
      eyes ??= await openPackageEyes(opened.value, clients);
      problems.push(...judged(facts, owner, file), ...(await eyes.look(bytes, facts, owner.variant, file)));
    }
    all.push({ file, size, facts, ...(owner ? { client: owner.client.key } : {}), problems });
  }
  return all;
});

const ownerOf = ({ kind, identifier }: PackageFacts, clients: readonly Resolved[]): Resolved | undefined =>
  clients.find(({ values }) => values[`identifiers.${packageKinds[kind].platform}`]?.value === identifier);

function judged(facts: PackageFacts, owner: Resolved, file: string): Problem[] {
  const { variant, client } = owner;
  if (!variant) return [];
  const { platform } = packageKinds[facts.kind];
  const own = ownKeys(owner);
  const records = own.ok ? own.value.records : {};
  const signers = (Object.keys(records) as KeyRole[]).filter(
    (role) => keyRoleFacts[role]?.platform === platform && !keyRoleFacts[role].isOfTeam,
  );
  const known = signers.flatMap((role) => records[role]?.sha256 ?? []);
  const signer = known.includes(facts.signer?.sha256 ?? "") ? facts.signer?.sha256 : known[0];
  const last = client.ledger && lastRelease(client.ledger);
  const version = last?.version ?? variant.values.version?.value ?? "";
  return judgePackage(
    facts,
    { variant, version, build: last?.build ?? Number(variant.values.build?.value), signer },
    file,
  );
}
