import { resolve } from "node:path";
import { attempt } from "../../core/ground/problems/result.ts";
import { ofVariable } from "../../core/operations/running/machines.ts";
import type { Run } from "../command.ts";
import { serveUntilEnded } from "../serve.ts";

/** Serves until somebody ends it. */
export const run: Run<"serve-contents"> = async ({ folder, token, port, host, json }, { terminal, ports }) => {
  const secret = attempt(() => ofVariable(token, ports));
  if (!secret.ok) return secret;
  const { contentsService } = await import("../../services/contents/service.ts");
  const root = resolve(ports.folder, folder);
  return serveUntilEnded(contentsService(root, secret.value), { host, port }, (address) => {
    if (json) terminal.json({ address, folder: root });
    else terminal.print(`${root} at ${address}, described at ${address}/description.json`);
  });
};
