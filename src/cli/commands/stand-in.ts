import { resolve } from "node:path";
import { problem } from "../../core/ground/problems/problem.ts";
import { fail } from "../../core/ground/problems/result.ts";
import type { GivenTo, Run, With } from "../command.ts";
import { serveUntilEnded } from "../serve.ts";

/** What only programs of this machine reach. */
const loopback = "127.0.0.1";

/** Serves until somebody ends it. */
export const run: Run<"stand-in"> = (given, using) =>
  given.what === "store" ? serveStores(given, using) : serveAuthority(given, using);

const serveAuthority = async ({ port, json }: GivenTo<"stand-in">, { terminal }: With) => {
  const { newAuthority } = await import("../../stand-ins/authority/authority.ts");
  const { authorityService } = await import("../../stand-ins/authority/service.ts");
  const service = authorityService(await newAuthority(() => new Date()));
  return serveUntilEnded(service, { host: loopback, port }, (address) => {
    if (json) terminal.json({ address });
    else terminal.print(`Stand-in authority at ${address}, described at ${address}/description.json`);
  });
};

/** How often messages are sent that nobody has taken yet, in milliseconds. */
const delivering = 1000;

const serveStores = async ({ port, json, ...given }: GivenTo<"stand-in">, { terminal, ports }: With) => {
  const rate = Number(given.rate);
  if (!(rate > 0 && rate <= 1_000_000))
    return fail(
      problem("value-invalid", `"${given.rate}" is no speed.`, { expected: "such as 3600: an hour a second" }),
    );
  const { standInStores } = await import("../../stand-ins/store/stand-in.ts");
  const { keepShown, settingsFor } = await import("../../stand-ins/store/shown.ts");
  const folder = resolve(ports.folder, given.folder);
  const { owner, seed } = given;
  const stores = standInStores({ folder, owner, seed, rate, isByHand: !given.accepts });
  const timer = setInterval(() => void stores.deliver(), delivering);
  timer.unref();
  const kept = keepShown(folder, stores.shown);
  const done = await serveUntilEnded(stores, { host: loopback, port }, (address) => {
    const settings = settingsFor(address, stores.ways);
    if (json) {
      terminal.json({ address, folder, credentials: kept, settings });
      return;
    }
    terminal.print(`Stand-in stores at ${address}: their people's page, and each store's description below it`);
    if (kept.length > 0)
      terminal.print(`\nShown once, kept in ${folder}:\n${kept.map((each) => `  ${each}`).join("\n")}`);
    terminal.print(`\nIn oxalis.yaml:\n\n${settings}`);
  });
  clearInterval(timer);
  return done;
};
