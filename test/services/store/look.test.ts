import { expect, test } from "vitest";
import type { StoreKey } from "../../../src/core/ground/values/store.ts";
import { lookAtBoard } from "../../../src/core/operations/board.ts";
import { isComplete } from "../../../src/core/proving/standing/clients.ts";
import { buildFor, editBrief, openStores, portsFor, storeWorkspace, submit } from "../../support/stores.ts";

const shared: readonly StoreKey[] = ["google-play", "app-store", "microsoft-store"];

/** What a brief says otherwise, so that some rule of a store is broken or another one holds. */
const briefs: readonly [what: string, change: (text: string) => string][] = [
  ["nothing", (text) => text],
  ["a text too long", (text) => text.replace("short: Sea greens", `short: ${"Very ".repeat(20)}sea greens`)],
  ["a subtitle too long", (text) => text.replace("subtitle: Greens", "subtitle: Greens and a good many other things")],
  ["no description", (text) => text.replace(/ {6}description: \|\n(?: {8}.*\n|\n)+/, "")],
  ["no address of a policy", (text) => text.replace(/ {2}privacy: .*\n/, "")],
  ["an address without encryption", (text) => text.replace("privacy: https:", "privacy: http:")],
  [
    "a name of another platform",
    (text) =>
      text
        .replace("The tide box", "The iPhone and Android box")
        .replace("Choose the marsh", "On iPhone, Android and Windows 11 choose the marsh"),
  ],
  ["a price in a text", (text) => text.replace("short: Sea greens", "short: Only £3, sea greens")],
  ["shouting", (text) => text.replace("short: Sea greens", "short: SEA GREENS FREE NOW #1")],
  ["a placeholder", (text) => text.replace("Samphire, sea kale", "TODO, lorem ipsum, sea kale")],
  [
    "keywords too long",
    (text) =>
      text.replace(
        "[samphire, sea, vegetables, coast]",
        `[${Array.from({ length: 20 }, (_, at) => `greens${at}`).join(", ")}]`,
      ),
  ],
  ["a language without texts", (text) => text.replace("app:\n", "app:\n  locales: { de: { name: Salzwurzeln } }\n")],
  ["a price", (text) => text.replace("store:\n", "store:\n  price: 2.99 EUR\n")],
  ["a wrong country", (text) => text.replace("store:\n", "store:\n  countries: [XX]\n")],
  ["tags", (text) => text.replace("store:\n", "store:\n  tags: [a, b, c, d, e, f, g]\n")],
  ["no contact", (text) => text.replace("store:\n", "store:\n  contact: { phone: none }\n")],
];

test("what a machine of a store refuses, the board has told; what the board passes, it takes", async () => {
  const taken: string[] = [];
  const refused: string[] = [];
  for (const [what, change] of briefs) {
    const { stores } = openStores();
    const folder = storeWorkspace(["saltmarsh"], stores);
    if (change("app:\n") !== "app:\n" || what !== "nothing") editBrief(folder, "saltmarsh", change);
    const ports = portsFor(folder, stores);
    for (const store of shared) buildFor(folder, "saltmarsh", store);
    const board = await lookAtBoard({ workspace: folder, clients: ["saltmarsh"], reach: false }, ports);
    if (!board.ok) throw new Error(JSON.stringify(board.problems));
    const [standing] = board.value.clients;
    // Whatever the board says: here everything is sent, and the store alone decides.
    const { openDoors } = await import("../../../src/core/operations/running/doors.ts");
    await submit(folder, ports, ["saltmarsh"], { stores: shared, until: "build" });
    const { openWorkspace } = await import("../../../src/core/operations/running/workspace.ts");
    const { resolveAll } = await import("../../../src/core/clients/derive/resolve.ts");
    const workspace = await openWorkspace({ workspace: folder }, ports);
    const all = await resolveAll(workspace);
    const [view] = all;
    if (!view) throw new Error("there is a client");
    for (const key of shared) {
      const own = standing?.stores.find(({ store }) => store === key);
      const isPassed = own !== undefined && isComplete(own);
      const door = await openDoors(workspace, all, ports).of(view, key);
      const has = await door.find("example.saltmarsh.saltmarshroots");
      // A record that may not even be created is refused before.
      if (!has) {
        expect([what, key, isPassed]).toEqual([what, key, false]);
        continue;
      }
      const answer = await door.act({ method: "POST", path: `/apps/${has.app.app}/reviews`, body: {} });
      const isTaken = !("wrong" in answer);
      expect([what, key, isTaken, "wrong" in answer ? answer.wrong : ""]).toEqual([
        what,
        key,
        isPassed,
        expect.anything(),
      ]);
      (isTaken ? taken : refused).push(`${what} ${key}`);
    }
  }
  // Both were tried: rules that hold, and rules that do not.
  expect(taken.length).toBeGreaterThan(8);
  expect(refused.length).toBeGreaterThan(8);
});
