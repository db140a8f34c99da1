import { relative } from "node:path";
import { profileKindNames } from "../../../core/app/platforms/apple/profile.ts";
import { keyRoleFacts } from "../../../core/clients/keys/roles.ts";
import { mapResult } from "../../../core/ground/problems/result.ts";
import { handOverKeys } from "../../../core/operations/hand-over-keys.ts";
import type { Run } from "../../command.ts";

export const run: Run<"keys hand-over"> = async (given, { terminal, ports }) =>
  mapResult(await handOverKeys(given, ports), ({ client, file, keys, profiles, stays }) => {
    const { out, print, json } = terminal;
    const handed = [
      ...keys.map(({ role, record }) => ({ what: keyRoleFacts[role].title, name: record.name })),
      ...profiles.map(({ kind, title, name }) => ({ what: `profile ${profileKindNames[kind]}, "${title}"`, name })),
    ];
    if (given.json) json({ client, file, handed, stays });
    else if (!given.quiet) {
      print(`${out.green("✓")} ${relative(ports.folder, file) || file}  everything of ${out.bold(client)}'s own:`);
      for (const { what, name } of handed) print(`    ${what}, ${name}`);
      for (const { title, why } of stays) print(`    ${out.yellow("not in it")}  ${title}: ${why}`);
      print(out.dim("It opens by age and the pass phrase that you gave: tell that on another way than the file goes."));
    }
    return 0;
  });
