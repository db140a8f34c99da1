import { expect, test } from "vitest";
import { readWorkspace } from "../../../../src/core/app/survey/workspace.ts";
import { accountsMissing, accountsOf, accountsShared } from "../../../../src/core/proving/standing/accounts.ts";
import { judgeHeld } from "../../../../src/core/proving/standing/held.ts";
import { edit, workspaceWith } from "../../../support/oxalis.ts";

/** The demo's clients with these entries in their stores' records. */
function workspace(own: Readonly<Record<string, string>>, ofAll = "") {
  const folder = workspaceWith(["3-acre", "saltmarsh"]);
  for (const [key, entry] of Object.entries(own))
    edit(folder, `clients/${key}/brief.yaml`, (text) => text.replace("store:\n", `store:\n  ${entry}\n`));
  if (ofAll) edit(folder, "oxalis.yaml", (text) => text.replace("  store:\n", `  store:\n    ${ofAll}\n`));
  return readWorkspace(folder);
}

const accountsIn = (at: ReturnType<typeof workspace>) =>
  at.clients.map((client) => ({ client: client.key, accounts: accountsOf(at, client) }));

test("codes come from the agency's defaults or the client, and only a client's own are asked for", () => {
  const at = workspace(
    { "3-acre": "accounts: { whose: client, key: AB12CD34EF }" },
    'accounts: { developer: "5281234567890" }',
  );
  const [acre, saltmarsh] = accountsIn(at).map(({ accounts }) => accounts);
  expect(saltmarsh?.whose).toBe("agency");
  expect(saltmarsh?.codes.developer?.isOwn).toBe(false);
  expect(acre?.codes.key).toMatchObject({
    value: "AB12CD34EF",
    isOwn: true,
    place: { file: "clients/3-acre/brief.yaml" },
  });
  const missing = (stores: Parameters<typeof accountsMissing>[1]) =>
    acre && accountsMissing(acre, stores).map(({ name }) => name);
  expect(missing(["google-play"])).toEqual([]);
  expect(missing(["app-store"])).toEqual(["issuer"]);
  expect(missing(["mac-app-store", "app-store"])).toEqual(["issuer"]);
  expect(saltmarsh && accountsMissing(saltmarsh, ["app-store"])).toEqual([]);
});

test("a code of one app is nobody else's; one of an account may be the agency's for many", () => {
  const twice = workspace({
    "3-acre": 'accounts: { app: "1234567890" }',
    saltmarsh: 'accounts: { app: "1234567890" }',
  });
  const found = accountsShared(accountsIn(twice));
  expect([...found.keys()]).toEqual(["saltmarsh"]);
  expect(found.get("saltmarsh")?.[0]).toMatchObject({ code: "account-shared", severity: "error" });
  const account = workspace({ "3-acre": "accounts: { key: AB12CD34EF }", saltmarsh: "accounts: { key: AB12CD34EF }" });
  expect(accountsShared(accountsIn(account)).get("saltmarsh")?.[0]?.severity).toBe("warning");
  expect(accountsShared(accountsIn(workspace({}, "accounts: { key: AB12CD34EF }"))).size).toBe(0);
});

test.each([
  ["a code in another form", "accounts: { key: abc }"],
  ["a number with letters", "accounts: { app: id1234567890 }"],
  ["a store that there is not", "reserved: [{ store: play, name: X, until: 2027-01-01 }]"],
  ["a day that there is not", "reserved: [{ store: app-store, name: X, until: 2027-02-30 }]"],
  ["a password that is written down", "review: { password: secret }"],
])("%s is refused where it stands", (_, entry) => {
  const [acre] = workspace({ "3-acre": entry }).clients;
  expect(acre?.brief).toBeUndefined();
  expect(acre?.problems[0]).toMatchObject({ code: "value-invalid", place: { file: "clients/3-acre/brief.yaml" } });
});

test.each([
  ["a name that is held still for long", "app-store, name: Acre, until: 2027-02-01", "Acre", []],
  [
    "one that lapses soon",
    "app-store, name: Acre, until: 2026-12-10",
    "Acre",
    [/App Store holds lapses on 2026-12-10/],
  ],
  ["one that has lapsed", "app-store, name: Acre, until: 2026-11-01", "Acre", [/has lapsed on 2026-11-01/]],
  ["one that is no longer the app's", "google-play, name: Acre, until: 2027-02-01", "Field", [/called "Field"/]],
])("%s", (_, held, name, expected) => {
  const [acre] = workspace({ "3-acre": `reserved: [{ store: ${held} }]` }).clients;
  const told = acre
    ? judgeHeld(acre, { name, today: "2026-11-26", into: [] }).map(({ message }) => message)
    : ["no client"];
  expect(told).toEqual(expected.map((pattern) => expect.stringMatching(pattern)));
});
