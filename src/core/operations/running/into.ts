import { readTesters } from "../../agency/workspace/testers.ts";
import { wantedStores } from "../../agency/workspace/wanted.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { Resolved, Variant } from "../../app/variant/variant.ts";
import { resolvePicked } from "../../clients/derive/resolve.ts";
import type { ClientView, Told } from "../../clients/record/read.ts";
import { isError, ofClient, type Problem } from "../../ground/problems/problem.ts";
import type { StoreKey } from "../../ground/values/store.ts";
import { boardOf } from "../../proving/standing/board.ts";
import type { StoreDefinition } from "../../stores/definition.ts";
import { chooseNamed, type OfClients } from "./chosen.ts";
import type { Ports } from "./ports.ts";
import { type Wanted, wantedIn } from "./wanted.ts";
import { type At, openWorkspace } from "./workspace.ts";

/** Which stores are meant. */
export interface Into {
  /** Only these; none for all that a client wants. */
  stores: readonly StoreKey[];
}

/** A client's app and a store that it is to be in. */
interface IntoOne {
  view: ClientView & { variant: Variant; told: Told };
  store: StoreDefinition;
  wanted: Wanted;
}

interface IntoAll {
  workspace: Workspace;
  all: readonly Resolved[];
  into: readonly IntoOne[];
  /** Why some clients are in none. */
  problems: readonly Problem[];
}

/** What each store is to have of the clients that somebody names. Stops: submission-unclear where nobody is named */
export async function intoStores(input: At & OfClients & Into, ports: Ports): Promise<IntoAll> {
  const workspace = await openWorkspace(input, ports);
  const keys = await chooseNamed(workspace, input, "submission-unclear");
  const { all, picked } = await resolvePicked(workspace, keys);
  const standing = new Map(boardOf(workspace, { all, picked }, ports.today()).map((each) => [each.client, each]));
  const testers = readTesters(workspace.root);
  const today = ports.today();
  const into = picked.filter(isWhole).flatMap((view) =>
    wantedStores(workspace, view.client)
      .filter(({ key }) => input.stores.length === 0 || input.stores.includes(key))
      .map((store) => ({
        view,
        store,
        wanted: wantedIn(workspace, store, view, { standing: standing.get(view.client.key), testers, today }),
      })),
  );
  const broken = picked.filter((view) => !isWhole(view));
  return {
    ...{ workspace, all, into },
    problems: broken.flatMap(({ client, problems }) => ofClient(client.key, problems.filter(isError))),
  };
}

const isWhole = (view: ClientView): view is IntoOne["view"] => view.variant !== undefined && view.told !== undefined;
