import { layersOf } from "../../agency/workspace/layers.ts";
import type { Client, Workspace } from "../../agency/workspace/workspace.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import type { Place } from "../../ground/values/source.ts";
import type { StoreKey } from "../../ground/values/store.ts";
import type { AccountCode } from "../../stores/account-code.ts";
import { accountCodes, type OfStores } from "../../stores/all.ts";

/** In whose account the app is, and the codes that are known; each with where it stands and who said so. */
export interface Accounts {
  whose: "agency" | "client";
  codes: Readonly<Record<string, { value: string; isOwn: boolean; place: Place } | undefined>>;
}

export function accountsOf(workspace: Workspace, client: Client): Accounts {
  const codes: Record<string, { value: string; isOwn: boolean; place: Place }> = {};
  let whose: Accounts["whose"] = "agency";
  for (const { document, path, data, step } of layersOf(workspace, client)) {
    const given = data?.store?.accounts as Readonly<Record<string, string>> | undefined;
    if (!given) continue;
    if (given.whose === "agency" || given.whose === "client") whose = given.whose;
    for (const { name } of accountCodes) {
      const value = given[name];
      const place = document.placeOf([...path, "store", "accounts", name]);
      if (value !== undefined) codes[name] = { value, isOwn: step.by === "brief", place };
    }
  }
  return { whose, codes };
}

/** Codes that only the client can give: it has its own account, and they are not there. */
export const accountsMissing = ({ whose, codes }: Accounts, stores: readonly StoreKey[]): OfStores<AccountCode>[] =>
  whose === "agency"
    ? []
    : accountCodes.filter(
        (code) => code.stores.some((each) => stores.includes(each)) && !code.isOwn && !codes[code.name],
      );

export function accountProblem({ says, name }: AccountCode, client: string): Problem {
  const message = `The app is to be in the client's own account, and ${says} is not given.`;
  return problem("account-missing", message, { client, expected: `store: { accounts: { ${name}: … } }` });
}

/** Codes that two clients have, though only one can: by client. */
export function accountsShared(all: readonly { client: string; accounts: Accounts }[]): Map<string, Problem[]> {
  const first = new Map<string, string>();
  const found = new Map<string, Problem[]>();
  for (const { client, accounts } of all)
    for (const { name, says, isOwn } of accountCodes) {
      const code = accounts.codes[name];
      // What the agency or a group gives is meant for several.
      if (!code || (!isOwn && !code.isOwn)) continue;
      const other = first.get(`${name} ${code.value}`);
      if (other === undefined) first.set(`${name} ${code.value}`, client);
      else {
        const message = `${other} has the same ${name}, ${code.value}: ${says}.`;
        const severity = isOwn ? "error" : "warning";
        found.set(client, [
          ...(found.get(client) ?? []),
          problem("account-shared", message, { client, severity, place: code.place }),
        ]);
      }
    }
  return found;
}
