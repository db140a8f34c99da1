import { problem } from "../core/ground/problems/problem.ts";
import { fail, type Result } from "../core/ground/problems/result.ts";

/** Serves over HTTP until somebody ends the program. @param port as a number; 0 for any that is free */
export async function serveUntilEnded(
  service: { fetch(request: Request): Promise<Response> | Response },
  { host, port }: { host: string; port: string },
  onServed: (address: string) => void,
): Promise<Result<number>> {
  if (!/^\d{1,5}$/.test(port) || Number(port) > 65_535)
    return fail(problem("value-invalid", `"${port}" is no port.`, { expected: "a number, such as 4100; 0 for any" }));
  const { serve } = await import("@hono/node-server");
  return new Promise((over) => {
    const server = serve({ fetch: service.fetch, hostname: host, port: Number(port) }, ({ port: own }) =>
      onServed(`http://${host}:${own}`),
    );
    server.once("error", ({ message }) => over(fail(problem("port-taken", `It cannot be served: ${message}.`))));
  });
}
