import { problem } from "../../core/ground/problems/problem.ts";
import { fail } from "../../core/ground/problems/result.ts";
import type { Run } from "../command.ts";

/** What only programs of this machine reach. */
const loopback = "127.0.0.1";

/** Serves until somebody ends it. */
export const run: Run<"stand-in"> = async ({ port, json }, { terminal }) => {
  if (!/^\d{1,5}$/.test(port) || Number(port) > 65_535)
    return fail(problem("value-invalid", `"${port}" is no port.`, { expected: "a number, such as 4100; 0 for any" }));
  const { serve } = await import("@hono/node-server");
  const { newAuthority } = await import("../../stand-ins/authority/authority.ts");
  const { authorityService } = await import("../../stand-ins/authority/service.ts");
  const service = authorityService(await newAuthority(() => new Date()));
  return new Promise((resolve) => {
    const server = serve({ fetch: service.fetch, hostname: loopback, port: Number(port) }, ({ port: own }) => {
      const address = `http://${loopback}:${own}`;
      if (json) terminal.json({ address });
      else terminal.print(`Stand-in authority at ${address}, described at ${address}/description.json`);
    });
    server.once("error", ({ message }) => resolve(fail(problem("port-taken", `It cannot be served: ${message}.`))));
  });
};
