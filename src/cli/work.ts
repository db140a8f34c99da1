/** The work of all commands: built as one script of its own, which the start loads when a command is called. */
export { reportFailure } from "./view/failure.ts";

/** Each command's module, by the command's name. */
export const commands = {
  import: () => import("./commands/import.ts"),
  export: () => import("./commands/export.ts"),
  clean: () => import("./commands/clean.ts"),
  schema: () => import("./commands/schema.ts"),
  demo: () => import("./commands/demo.ts"),
  init: () => import("./commands/init.ts"),
  clients: () => import("./commands/clients.ts"),
  explain: () => import("./commands/explain.ts"),
  art: () => import("./commands/art.ts"),
  check: () => import("./commands/check.ts"),
  generate: () => import("./commands/generate.ts"),
  audit: () => import("./commands/audit.ts"),
  release: () => import("./commands/release.ts"),
  "rename-identifier": () => import("./commands/rename-identifier.ts"),
  proof: () => import("./commands/proof.ts"),
};
