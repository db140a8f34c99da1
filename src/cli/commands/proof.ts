import { relative } from "node:path";
import { mapResult } from "../../core/ground/problems/result.ts";
import { writeProof } from "../../core/operations/proof.ts";
import type { Run } from "../command.ts";
import { again } from "../view/again.ts";
import { countOf } from "../view/terminal.ts";

export const run: Run<"proof"> = async (given, { terminal, ports }) =>
  mapResult(await writeProof(given, ports), ({ file, html, pictures, shown, absent }) => {
    const { json, note, print, out, err } = terminal;
    if (given.json) json({ file, bytes: Buffer.byteLength(html), ...(pictures ? { pictures } : {}), shown, absent });
    else {
      for (const { client, reason } of absent) note(`${err.yellow("!")} ${client} is not on the page. ${reason}`);
      const unmade = absent.filter(({ why }) => why !== "faulty").map(({ client }) => client);
      if (unmade.length > 0) note(`${err.dim("to do")}  ${again("generate", { ...given, clients: unmade })}`);
      const named = relative(ports.folder, file) || file;
      if (pictures && !given.quiet)
        note(
          `Its pictures lie beside it, in ${relative(ports.folder, pictures)}; \`--one-file\` keeps them in the page.`,
        );
      if (!given.quiet) print(`${countOf(shown.length, "client")} on one page. Open ${out.cyan(named)}`);
    }
    return absent.length > 0 ? 1 : 0;
  });
