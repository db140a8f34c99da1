import pLimit from "p-limit";
import { wantedStores } from "../agency/workspace/wanted.ts";
import type { Workspace } from "../agency/workspace/workspace.ts";
import type { Variant } from "../app/variant/variant.ts";
import { resolvePicked } from "../clients/derive/resolve.ts";
import type { ClientView, Told } from "../clients/record/read.ts";
import { isError, ofClient, type Problem } from "../ground/problems/problem.ts";
import { refuse } from "../ground/problems/result.ts";
import type { StoreKey } from "../ground/values/store.ts";
import type { StepName } from "../making/submitting/step-names.ts";
import { type GoingOut, goingOutWire } from "../making/submitting/wire.ts";
import { boardOf } from "../proving/standing/board.ts";
import { chooseNamed, type OfClients } from "./running/chosen.ts";
import { openDoors } from "./running/doors.ts";
import { type Submitted, submitOne } from "./running/one-submission.ts";
import { operation } from "./running/operation.ts";
import { wantedIn } from "./running/wanted.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  /** Only these; none for all that a client wants. */
  stores: readonly StoreKey[];
  until: StepName;
  dryRun: boolean;
  /** So many minutes a store's own work is waited for. */
  wait: string;
  /** What is answered to a refusal or a question. */
  reply?: string | undefined;
  /** How an approved version goes out: everybody, 20%, phases, halt, go-on. */
  out?: string | undefined;
  /** A version that was sent is taken back. */
  takeBack: boolean;
}

export interface AllSubmitted {
  submitted: readonly Submitted[];
  problems: readonly Problem[];
}

/** So many clients go into one store at a time. */
const atOnce = 8;

/** Brings clients' apps into stores, as far as each goes; one that is refused stops nobody else. */
export const submitApps = operation(async (input: Input, ports): Promise<AllSubmitted> => {
  const workspace = await openWorkspace(input, ports);
  const keys = await chooseNamed(workspace, input, "submission-unclear");
  const asked = askedIn(input);
  const patience = minutesIn(input.wait) * 60_000;
  const { all, picked } = await resolvePicked(workspace, keys);
  const standing = new Map(boardOf(workspace, { all, picked }, ports.today()).map((each) => [each.client, each]));
  const doors = openDoors(workspace, all, ports);
  const wanted = picked.flatMap((view) =>
    isWhole(view) ? storesOf(workspace, view, input).map((store) => ({ view, store })) : [],
  );
  if (isActOfOne(input) && wanted.length > 1)
    refuse("submission-unclear", `This is for ${wanted.length} apps in stores at once.`, {
      expected: "one client and one store: --store <store>",
    });
  const limits = new Map<StoreKey, ReturnType<typeof pLimit>>();
  const inStore = (key: StoreKey) => {
    const limit = limits.get(key) ?? pLimit(atOnce);
    limits.set(key, limit);
    return limit;
  };
  const submitted = await Promise.all(
    wanted.map(({ view, store }) =>
      inStore(store.key)(() => {
        const { client, variant } = view;
        return submitOne(
          {
            ...wantedIn(workspace, store, view, standing.get(client.key)),
            ...{ workspace, client: client.key, variant, store, asked, patience },
            ...{ until: input.until, dryRun: input.dryRun },
            door: () => doors.of(view, store.key),
          },
          ports,
        );
      }),
    ),
  );
  const broken = picked.filter((view) => !isWhole(view));
  return {
    submitted,
    problems: broken.flatMap(({ client, problems }) => ofClient(client.key, problems.filter(isError))),
  };
});

const isWhole = (view: ClientView): view is ClientView & { variant: Variant; told: Told } =>
  view.variant !== undefined && view.told !== undefined;

const storesOf = (workspace: Workspace, { client }: ClientView, { stores }: Pick<Input, "stores">) =>
  wantedStores(workspace, client).filter(({ key }) => stores.length === 0 || stores.includes(key));

/** What is meant for one version, and not for all alike. */
const isActOfOne = ({ reply, takeBack }: Input): boolean => reply !== undefined || takeBack;

const askedIn = ({ reply, out, takeBack }: Input) => ({
  ...(reply === undefined ? {} : { reply }),
  ...(out === undefined ? {} : { out: goingIn(out) }),
  ...(takeBack ? { takeBack } : {}),
});

/** How something goes out, as it was typed. Stops: value-invalid */
function goingIn(said: string): GoingOut {
  const share = said.match(/^(\d{1,2}(?:\.\d{1,2})?|100)\s*%$/)?.[1];
  const read = goingOutWire.safeParse(share === undefined ? { how: said } : { how: "share", share: Number(share) });
  return read.success
    ? read.data
    : refuse("value-invalid", `"${said}" is no way out.`, {
        expected: "everybody, a share such as 20%, phases, halt or go-on",
      });
}

function minutesIn(said: string): number {
  return /^\d{1,4}$/.test(said)
    ? Number(said)
    : refuse("value-invalid", `"${said}" is no number of minutes.`, { expected: "such as 30; 0 to wait for nothing" });
}
