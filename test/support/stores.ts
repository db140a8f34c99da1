import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { openPorts } from "../../src/cli/ports.ts";
import type { PackageFacts } from "../../src/core/app/packages/facts.ts";
import { sha256 } from "../../src/core/ground/values/hash.ts";
import { secretOf } from "../../src/core/ground/values/secret.ts";
import type { StoreKey } from "../../src/core/ground/values/store.ts";
import { submitAll } from "../../src/core/operations/running/all-submissions.ts";
import type { Ports } from "../../src/core/operations/running/ports.ts";
import type { ShownOnce } from "../../src/stand-ins/store/accounts.ts";
import { settingsFor } from "../../src/stand-ins/store/shown.ts";
import { type StandInStores, standInStores } from "../../src/stand-ins/store/stand-in.ts";
import { edit, oxalis, temporaryFolder, workspaceWith } from "./oxalis.ts";

/** Where stores are, for whoever asks them without a port. */
const address = "http://127.0.0.1:1";

export const hour = 3_600_000;
export const day = 24 * hour;

/** The day on which tests of stores begin. */
const began = Date.parse("2026-11-01T08:00:00Z");

/** A package of which everything stands in one line. */
export const packageOf = (facts: Partial<PackageFacts>): Buffer =>
  Buffer.from(
    JSON.stringify({ signer: { subject: "CN=Hill", sha256: "AB", by: "test" }, unfit: [], permissions: [], ...facts }),
  );

/** Reads such a package. */
const look = async (bytes: Uint8Array): Promise<PackageFacts | undefined> => {
  try {
    return JSON.parse(Buffer.from(bytes).toString()) as PackageFacts;
  } catch {
    return undefined;
  }
};

/** Stores in a folder, with a clock of their own that starts on a day. */
export function openStores(more: Partial<Parameters<typeof standInStores>[0]> = {}) {
  const folder = more.folder ?? temporaryFolder();
  const stores = standInStores({
    ...{ folder, owner: "Lanternfield", rate: 1, seed: "a test", isByHand: false, real: () => began, look },
    ...more,
  });
  return { stores, folder };
}

/** What lets programs in, as variables. */
const variablesOf = (shown: readonly ShownOnce[]): Record<string, string> =>
  Object.fromEntries(
    shown.flatMap((each): [string, string][] => {
      if ("privateKey" in each) return [["STORE_KEY", each.privateKey]];
      const name = each.store.toUpperCase().replaceAll("-", "_");
      return [
        [`${name}_CLIENT`, each.client],
        [`${name}_SECRET`, each.secret],
      ];
    }),
  );

/** The world, with these stores in it: calls go to them directly. */
export function portsFor(folder: string, stores: StandInStores, more: Partial<Ports> = {}): Ports {
  const variables: Record<string, string> = { ...variablesOf(stores.shown), OXALIS_HOOK_SECRET: "0123456789abcdef" };
  return {
    ...openPorts(),
    folder,
    today: () => new Date(stores.now()).toISOString().slice(0, 10),
    user: () => "Mara Lind",
    now: () => began,
    pause: async () => stores.forward(10 * 60_000),
    secret: (name) => (variables[name] === undefined ? undefined : secretOf(variables[name])),
    fetch: async (request) => stores.fetch(request),
    ...more,
  };
}

/** Which platform goes into a store, and what its packages are. */
const platformsOf: Readonly<Record<StoreKey, { platform: string; kind: PackageFacts["kind"] }>> = {
  "google-play": { platform: "android", kind: "aab" },
  "app-store": { platform: "ios", kind: "ipa" },
  "mac-app-store": { platform: "desktop", kind: "installer" },
  "microsoft-store": { platform: "windows", kind: "msix" },
};

/** Identifiers of clients' apps, as the demo has them: the same on every platform. */
const identifiers: Readonly<Record<string, string>> = {
  "3-acre": "example.n3acre.n3acregreens",
  "brennans-bothy": "example.brennans.brennansbothybox",
  "ferme-duclos": "example.fermeduclos.lafermeduclos",
  "high-hedges": "example.highhedges.highhedgesfarm",
  "orchard-lane": "example.orchardlane.orchardlaneboxes",
  "root-and-leaf": "example.rootandleaf.rootandleaf",
  saltmarsh: "example.saltmarsh.saltmarshroots",
  "zelena-griadka": "example.griadka.zelenahriadka",
};

export const allClients = Object.keys(identifiers);

/** Puts a good build of a client's into its history, whose package says what it has to. */
export function buildFor(
  folder: string,
  client: string,
  store: StoreKey,
  build = 1,
  version = "1.0.0",
  facts = {},
): void {
  const { platform, kind } = platformsOf[store];
  const identifier = identifiers[client] ?? "";
  const bytes = packageOf({ kind, identifier, version, build: `${build}`, ...facts });
  putBuild(folder, { client, platform, version, build }, bytes);
}

/** Puts a package where builds lie, and notes it as a good one. */
function putBuild(
  folder: string,
  { client, platform, version, build }: { client: string; platform: string; version: string; build: number },
  bytes: Buffer,
): void {
  const path = "app.bin";
  const file = join(folder, `builds/${client}/store/${version}+${build}/${platform}/${path}`);
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(file, bytes);
  const files = [{ kind: "store", path, size: bytes.length, sha256: sha256(bytes) }];
  const entry = {
    form: 1,
    stage: "store",
    platform,
    version,
    build,
    on: "2026-11-01",
    variant: "x",
    state: "good",
    files,
  };
  const history = join(folder, `clients/${client}/history/package-store-${platform}-${build}.json`);
  mkdirSync(dirname(history), { recursive: true });
  writeFileSync(history, `${JSON.stringify(entry, null, 2)}\n`);
}

/** Workspaces that were made before, by their clients: each test gets a copy. They stay as long as the process. */
const made = new Map<string, string>();
process.once("exit", () => {
  for (const folder of made.values()) rmSync(folder, { recursive: true, force: true });
});

/** A workspace of these clients, made, that knows where its stores are. */
export function storeWorkspace(clients: readonly string[], stores: StandInStores): string {
  const before = made.get(clients.join()) ?? mkdtempSync(join(tmpdir(), "oxalis-test-"));
  if (!made.has(clients.join())) {
    cpSync(workspaceWith(clients), before, { recursive: true });
    oxalis(before, "generate", "-q");
  }
  made.set(clients.join(), before);
  const folder = temporaryFolder();
  cpSync(before, folder, { recursive: true });
  edit(folder, "oxalis.yaml", (text) => `${text}\n${settingsFor(address, stores.ways)}\n`);
  return folder;
}

/** Goes into stores as far as it can. */
export const submit = (
  folder: string,
  ports: Ports,
  clients: readonly string[],
  more: Partial<Parameters<typeof submitAll>[0]> = {},
) =>
  submitAll(
    {
      ...{
        workspace: folder,
        clients,
        stores: ["google-play"],
        until: "release",
        dryRun: false,
        wait: "600",
        takeBack: false,
      },
      ...more,
    },
    ports,
  );

/** A client's brief, otherwise. */
export const editBrief = (folder: string, client: string, change: (text: string) => string): void =>
  edit(folder, `clients/${client}/brief.yaml`, change);

/** What is kept of a client's history, by the names of its entries. */
export const historyEntry = (folder: string, client: string, name: string): Record<string, unknown> =>
  JSON.parse(readFileSync(join(folder, `clients/${client}/history/${name}.json`), "utf8"));
