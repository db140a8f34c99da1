import { buildsAt, buildsOf } from "../../agency/history/builds.ts";
import { layerField } from "../../agency/workspace/layers.ts";
import type { Testers } from "../../agency/workspace/schema/testers.ts";
import { variantPath } from "../../agency/workspace/stage.ts";
import type { Client, Workspace } from "../../agency/workspace/workspace.ts";
import type { Variant } from "../../app/variant/variant.ts";
import { captureFiles } from "../../clients/record/captures.ts";
import type { ClientView, Told } from "../../clients/record/read.ts";
import { byTrack } from "../../clients/testers/who.ts";
import { sumInside } from "../../ground/files/reading/part.ts";
import { isError } from "../../ground/problems/problem.ts";
import { buildFolder } from "../../making/building/work.ts";
import { readReceipt } from "../../making/jobs/receipt.ts";
import type { Lack } from "../../making/submitting/steps/step.ts";
import {
  type ReviewAccess,
  recordWants,
  type WantedBuild,
  type WantedPicture,
  type Wants,
} from "../../making/submitting/wants.ts";
import type { ClientStanding } from "../../proving/standing/clients.ts";
import type { StoreDefinition } from "../../stores/definition.ts";
import { previewSlot } from "../../stores/preview-row.ts";
import { recordFields } from "../../stores/record-fields.ts";

/** What a store is to have of a client, and what keeps it from being taken. */
export interface Wanted {
  wants: Wants;
  lacks: { creation: readonly Lack[]; review: readonly Lack[] };
}

/** @param view a client whose variant and record are worked out */
export function wantedIn(
  workspace: Workspace,
  store: StoreDefinition,
  view: ClientView & { variant: Variant; told: Told },
  { standing, testers, today }: { standing: ClientStanding | undefined; testers: Testers | undefined; today: string },
): Wanted {
  const { client, variant, told } = view;
  const { root } = workspace;
  const files = readReceipt(root, variantPath(workspace, client.key), client.key).files;
  const isMade = Object.keys(files).length > 0;
  const pictures = isMade
    ? [...picturesOf(store, variantPath(workspace, client.key), files, told), ...filmsOf(store, root, told)]
    : [];
  const goods = client.brief?.data.store?.goods ?? [];
  const own = standing?.stores.find((each) => each.store === store.key);
  const creation = (own?.lines ?? [])
    .filter(({ field, state }) => store.creates.includes(field) && state !== "given")
    .map(({ title, field }): Lack => ({ what: title, who: recordFields[field].who }));
  const found = [...(standing?.problems ?? []), ...(own?.problems ?? [])].filter(
    (each) => isError(each) && (each.platform === undefined || store.takes.includes(each.platform)),
  );
  const once = new Map(found.map(({ message, who }) => [message, { what: message, who }]));
  return {
    wants: {
      ...recordWants(store, told.record, variant),
      pictures,
      goods: goods.map(({ id, name, kind, price }) => ({ id, name, kind, price })),
      build: lastGood(root, store, client.key),
      access: accessOf(workspace, client),
      testers: testers && byTrack(store, testers, client.key, today),
    },
    lacks: {
      creation,
      review: [
        ...(isMade ? [] : [{ what: "its variant: `oxalis generate`", who: "producer" } as const]),
        ...once.values(),
      ],
    },
  };
}

/** How whoever reviews signs in, where a user and a password are named: as the brief, a group or the defaults say. */
function accessOf(workspace: Workspace, client: Client): ReviewAccess | undefined {
  const said = (name: string) => layerField(workspace, client, ["store", "review", name])?.value;
  const [user, password] = [said("user"), said("password")];
  return user === undefined || password === undefined ? undefined : { user, password };
}

/** A store's pictures as they lie in a variant. */
function picturesOf(
  { key }: StoreDefinition,
  folder: string,
  files: Readonly<Record<string, { sha256: string | null }>>,
  { record }: Told,
): WantedPicture[] {
  const captured = new Map(captureFiles([key], record.captures).map((each) => [each.to, each]));
  const positions = new Map<string, number>();
  return Object.entries(files)
    .filter(([path]) => path.startsWith(`store/${key}/`) && /\.(png|jpg)$/.test(path))
    .sort(([a], [b]) => orderOf(captured, a) - orderOf(captured, b) || (a < b ? -1 : 1))
    .flatMap(([path, { sha256: sum }]): WantedPicture[] => {
      if (sum === null) return [];
      const own = captured.get(path);
      const [slot = "", language] = own
        ? [own.device, own.language]
        : (path.split("/").at(-1) ?? "").replace(/\.\w+$/, "").split(".");
      const place = `${slot} ${language ?? ""}`;
      const position = (positions.get(place) ?? 0) + 1;
      positions.set(place, position);
      const file = `${folder}/${path}`;
      return [{ slot, position, sum, file, ...(language === undefined ? {} : { language }) }];
    });
}

/** A store's films, as they lie in the client's folder. */
function filmsOf({ previews: rows }: StoreDefinition, root: string, { record: { previews } }: Told): WantedPicture[] {
  const own = previews.filter(({ device, film }) => film && rows.some((row) => row.device === device));
  return own.map(({ device, language, file }, at): WantedPicture => {
    const before = own.slice(0, at).filter((each) => each.device === device && each.language === language);
    return { slot: previewSlot(device), language, position: before.length + 1, sum: sumInside(root, file), file };
  });
}

/** Captures stand in the order in which the client has them. */
const orderOf = (captured: ReadonlyMap<string, unknown>, path: string): number => [...captured.keys()].indexOf(path);

/** The package that goes into a store: of the last good build, what is for the store, or else what is installed. */
function lastGood(root: string, { takes }: StoreDefinition, client: string): WantedBuild | undefined {
  const all = buildsOf.read(root, client) ?? {};
  const good = takes
    .flatMap((platform) => buildsAt(all, "store", platform))
    .filter(({ state, removed }) => state === "good" && removed === undefined)
    .sort((a, b) => b.build - a.build)[0];
  const file = good?.files.find(({ kind }) => kind === "store") ?? good?.files.find(({ kind }) => kind === "install");
  if (!good || !file) return undefined;
  const { version, build } = good;
  return {
    version,
    build,
    sum: file.sha256,
    size: file.size,
    file: `${buildFolder({ ...good, client })}/${file.path}`,
  };
}
