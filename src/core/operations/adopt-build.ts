import { type BuildRecord, type BuiltFile, buildSlot, buildsOf, goodBefore } from "../agency/history/builds.ts";
import { resolveAll } from "../clients/derive/resolve.ts";
import { writeTogether } from "../ground/files/writing/together.ts";
import { isError } from "../ground/problems/problem.ts";
import { refuse, stop } from "../ground/problems/result.ts";
import { sha256 } from "../ground/values/hash.ts";
import { largestPackage, type ResultKind } from "../ground/values/package.ts";
import type { Platform } from "../ground/values/platform.ts";
import { type BuildOutcome, outcomeOf } from "../making/building/outcome.ts";
import { prepareBuilds } from "../making/building/prepare.ts";
import { buildFolder } from "../making/building/work.ts";
import { judgeBuilt } from "../proving/packages/built.ts";
import { openPackageEyes } from "../proving/packages/eyes.ts";
import { installFilesIn } from "./running/install-files.ts";
import { readNamed } from "./running/named.ts";
import { onlyThing } from "./running/one-thing.ts";
import { operation } from "./running/operation.ts";
import { noted } from "./running/ports.ts";
import { type At, inWorkspace } from "./running/workspace.ts";

interface Input extends At {
  /** One client. */
  clients: readonly string[];
  /** One platform. */
  platforms: readonly Platform[];
  files: readonly string[];
}

/** What a file is for, by its ending: where there are two, one is for the store and one to be installed. */
const kindOf = (name: string): ResultKind => {
  if (/\.(aab|ipa|appxupload|msixupload|pkg)$/i.test(name)) return "store";
  if (/\.(apk|msix|appx|dmg|zip)$/i.test(name)) return "install";
  return /(\.dSYM|symbols|mapping)/i.test(name) ? "symbols" : "other";
};

/**
 * Takes in what was built elsewhere, for the number that the client's variant has. Stops: build-refused where it is not
 * one client's and one platform's, or that number is spent
 */
export const adoptBuild = operation(
  (input: Input, ports): Promise<BuildOutcome> =>
    inWorkspace(input, ports, { writes: true }, async (workspace) => {
      const { root } = workspace;
      const { client, platform } = onlyThing(workspace, input, {
        message: "A file that is taken in is one client's, on one platform.",
        expected: "oxalis build <client> --platform <platform> --adopt <file>",
      });
      const cache = ports.openCache(root);
      const options = { dryRun: false, settled: false, smallest: false, today: ports.today(), cache, on: () => {} };
      const wanted = { clients: [client.key], platforms: [platform], again: true };
      const { builds, problems } = await prepareBuilds(workspace, wanted, options);
      const [build] = builds;
      if (!build) return refuse("build-refused", problems[0]?.message ?? `${client.key} is not built for ${platform}.`);
      const files = input.files.map((named) => readNamed(ports, named, largestPackage));
      const kept = files.map(
        ({ name, bytes }): BuiltFile => ({
          kind: kindOf(name),
          path: name,
          size: bytes.length,
          sha256: sha256(bytes),
        }),
      );
      const contents = new Map(files.map(({ name, bytes }) => [name, bytes]));
      const eyes = await openPackageEyes(workspace, await resolveAll(workspace));
      const former = goodBefore(buildsOf.read(root, client.key) ?? {}, build)?.files ?? [];
      const expected = { ...build, signers: [], today: ports.today(), former };
      const found = await judgeBuilt(kept, (name) => contents.get(name) ?? new Uint8Array(), expected, eyes);
      if (found.some(isError)) stop(found);
      const entry: BuildRecord = {
        ...{ stage: build.stage, platform, version: build.version, build: build.build, on: ports.today() },
        ...noted(ports),
        ...{ variant: build.sum, state: "good", isAdopted: true, files: kept, given: [] },
      };
      const all = buildsOf.read(root, client.key) ?? {};
      writeTogether(root, [
        ...files.map(({ name, bytes }) => [`${buildFolder(build)}/${name}`, bytes] as const),
        ...installFilesIn(workspace)(build, kept),
        ...buildsOf.changes(root, client.key, { ...all, [buildSlot(entry)]: entry }),
      ]);
      return outcomeOf(build, "good", { files: kept });
    }),
);
