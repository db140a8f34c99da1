import type { Workspace } from "../../agency/workspace/workspace.ts";
import { readInside } from "../../ground/files/reading/folder.ts";
import { removeTree } from "../../ground/files/writing/door.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import { unwrap } from "../../ground/problems/result.ts";
import { thisSystem } from "../../ground/systems/system.ts";
import { sha256 } from "../../ground/values/hash.ts";
import { largestPackage } from "../../ground/values/package.ts";
import { platformNames } from "../../ground/values/platform.ts";
import type { OpenVault } from "../../ground/vault/open.ts";
import type { Given } from "../../making/building/collect.ts";
import { type BuildOrder, inputsOfOrder, orderOf } from "../../making/building/order.ts";
import {
  builtIn,
  nothingToSign,
  type OpenedSigning,
  performBuild,
  variantInputs,
} from "../../making/building/perform.ts";
import type { PlannedBuild } from "../../making/building/prepare.ts";
import { workFolder } from "../../making/building/work.ts";
import { storeInputs } from "../../making/jobs/inputs.ts";
import type { HandingOut } from "../../making/sharing/handing-out.ts";
import { buildKind } from "../../making/sharing/ticket.ts";
import type { Ports } from "./ports.ts";
import { openSigning, type SigningDecided } from "./signing.ts";
import { openedVault } from "./vault.ts";

/** What has come out of a build. */
export interface Made {
  given: readonly Given[];
  problem?: Problem | undefined;
  /** It would stop every client's build. */
  isShared: boolean;
  /** What programs have printed. */
  log: string;
  machine?: string;
  seconds?: number;
}

/** What makes builds: this machine, or others. */
export interface Builder {
  /** So many at once. */
  atOnce: number;
  /** Whether it can make one at all. */
  can(build: PlannedBuild): boolean;
  /** The job by which others have a build. */
  jobOf(build: PlannedBuild): { name: string; kind: string } | undefined;
  /** Undefined where it waits for a machine that is not there. */
  make(build: PlannedBuild): Promise<Made | undefined>;
  /** Takes back one of which another takes the place. */
  withdraw(name: string, build: PlannedBuild): Promise<void>;
}

/**
 * Builds on this machine, one after the other. What they sign with is opened first: nobody waits while a phrase is
 * typed.
 */
export async function buildsHere(
  workspace: Workspace,
  wanted: readonly PlannedBuild[],
  signing: SigningDecided,
  ports: Ports,
): Promise<Builder> {
  const { root } = workspace;
  const can = ({ steps: { on } }: PlannedBuild) => on === undefined || on === thisSystem();
  let vault: Promise<OpenVault> | undefined;
  const opened = new Map<PlannedBuild, OpenedSigning>();
  for (const build of wanted.filter(can)) {
    const open = () => {
      vault ??= openedVault(workspace, ports);
      return vault;
    };
    opened.set(build, await openSigning(build.client, signing.of(build)?.plan, open, ports));
  }
  return {
    atOnce: 1,
    can,
    jobOf: () => undefined,
    withdraw: async () => {},
    async make(build) {
      const { client, platform, folder } = build;
      const means = {
        ...{ run: ports.run, machine: ports.variable, secret: ports.secret },
        onLine: (line: string) => ports.on({ what: "line", client, platform, line }),
      };
      const own = opened.get(build) ?? nothingToSign;
      const work = workFolder(build);
      const { results, ...ended } = await performBuild(
        orderOf(root, build, signing.of(build)?.plan),
        { root, work },
        { inputs: variantInputs(root, folder), signing: own, means },
      );
      const to = builtIn(root, work);
      const given = results.map((each) => ({
        ...each,
        content: readInside(root, `${to.folder}/${each.path}`, each.path, largestPackage),
      }));
      if (!ended.problem) removeTree(root, to.folder);
      return { ...ended, given };
    },
  };
}

/** So many builds are given to other machines at once. */
const mostHandedOut = 64;

/** Builds on other machines, by their queue. What they sign with they open themselves. */
export function buildsElsewhere({ root }: Workspace, signing: SigningDecided, handing: HandingOut): Builder {
  const orders = new Map<PlannedBuild, { order: BuildOrder; text: string; name: string; kind: string }>();
  const orderFor = (build: PlannedBuild) => {
    const known = orders.get(build);
    if (known) return known;
    const order = orderOf(root, build, signing.of(build)?.plan);
    const text = JSON.stringify(order);
    const { client, stage, platform } = build;
    // Two workspaces may have a client of one name.
    const name = [client, stage, platform, build.build, sha256(text).slice(0, 8)].join(".");
    const made = { order, text, name, kind: buildKind(order) };
    orders.set(build, made);
    return made;
  };
  return {
    atOnce: mostHandedOut,
    can: () => true,
    jobOf: orderFor,
    withdraw: async (name, build) => {
      await handing.remove({ name, kind: orderFor(build).kind });
    },
    async make(build) {
      const { order, text, name, kind } = orderFor(build);
      const { client, platform, folder } = build;
      await storeInputs(inputsOfOrder(order), variantInputs(root, folder), handing.contents);
      const says = `${platformNames[platform]} ${build.version} (${build.build})`;
      const done = await handing.carry(name, kind, text, { what: "build", client, says, smallest: false });
      if (done === undefined) return undefined;
      const { results, problems, isShared, log, machine, seconds } = unwrap(done);
      const given = await Promise.all(
        results.map(async ({ kind: of = "other", path, sha256: sum }) => ({
          ...{ kind: of, path, sha256: sum },
          content: await handing.contents.get(sum),
        })),
      );
      const printed = log === undefined ? "" : Buffer.from(await handing.contents.get(log)).toString();
      await handing.remove({ name, kind });
      const [problem] = problems;
      return { given, problem, isShared, log: printed, machine, seconds };
    },
  };
}
