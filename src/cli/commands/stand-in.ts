import type { Run } from "../command.ts";
import { serveUntilEnded } from "../serve.ts";

/** What only programs of this machine reach. */
const loopback = "127.0.0.1";

/** Serves until somebody ends it. */
export const run: Run<"stand-in"> = async ({ port, json }, { terminal }) => {
  const { newAuthority } = await import("../../stand-ins/authority/authority.ts");
  const { authorityService } = await import("../../stand-ins/authority/service.ts");
  const service = authorityService(await newAuthority(() => new Date()));
  return serveUntilEnded(service, { host: loopback, port }, (address) => {
    if (json) terminal.json({ address });
    else terminal.print(`Stand-in authority at ${address}, described at ${address}/description.json`);
  });
};
