import { basename } from "node:path";
import { lastRelease } from "../agency/history/ledger.ts";
import { type PackageFacts, packageKinds } from "../app/packages/facts.ts";
import { readPackage } from "../app/packages/read.ts";
import type { Resolved, Variant } from "../app/variant/variant.ts";
import { resolveAll } from "../clients/derive/resolve.ts";
import { type KeyRole, keyRoleFacts } from "../clients/keys/roles.ts";
import { ownKeys } from "../clients/keys/standing.ts";
import { type Problem, problem } from "../ground/problems/problem.ts";
import { attemptAsync } from "../ground/problems/result.ts";
import { largestPackage } from "../ground/values/package.ts";
import type { Platform } from "../ground/values/platform.ts";
import { openPackageEyes, type PackageEyes } from "../proving/packages/eyes.ts";
import { type ExpectedPackage, judgePackage } from "../proving/packages/judge.ts";
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
    const looked = await readPackage(bytes);
    const size = bytes.length;
    if (!looked) {
      const message = `${file} is no package of a kind that can be read.`;
      all.push({ file, size, problems: [problem("package-unreadable", message)] });
      continue;
    }
    const { facts } = looked;
    const owner = ownerOf(facts, clients);
    const problems: Problem[] = [];
    if (owner?.client.variant && opened.ok) {
      const { variant } = owner.client;
      eyes ??= await openPackageEyes(opened.value, clients);
      problems.push(
        ...judgePackage(facts, expectedOf(owner, variant, ports.today()), file),
        ...(await eyes.look(looked, { variant, platform: owner.platform }, file)),
      );
    }
    all.push({ file, size, facts, ...(owner ? { client: owner.client.client.key } : {}), problems });
  }
  return all;
});

/** Whose app a package is, and on which platform. */
interface Owner {
  client: Resolved;
  platform: Platform;
}

function ownerOf({ kind, identifier }: PackageFacts, clients: readonly Resolved[]): Owner | undefined {
  for (const platform of identifier === "" ? [] : packageKinds[kind].platforms) {
    const client = clients.find(({ values }) => values[`identifiers.${platform}`]?.value === identifier);
    if (client) return { client, platform };
  }
  return undefined;
}

/** What a client's package would have to be. */
function expectedOf({ client: resolved, platform }: Owner, variant: Variant, today: string): ExpectedPackage {
  const { client } = resolved;
  const own = ownKeys(resolved);
  const records = own.ok ? own.value.records : {};
  const signers = (Object.keys(records) as KeyRole[]).filter(
    (role) => keyRoleFacts[role]?.platform === platform && !keyRoleFacts[role].isOfTeam,
  );
  const known = signers.flatMap((role) => records[role]?.sha256 ?? []);
  const last = client.ledger && lastRelease(client.ledger);
  return {
    variant,
    platform,
    version: last?.version ?? variant.values.version?.value ?? "",
    build: last?.build ?? Number(variant.values.build?.value),
    signers: known,
    today,
  };
}
