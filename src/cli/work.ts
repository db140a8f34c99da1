import type { Run } from "./command.ts";
import { openPorts } from "./ports.ts";
import { given } from "./rows/row.ts";
import { type CommandName, rows } from "./rows/table.ts";
import { showFailure } from "./view/failure.ts";
import { openTerminal, type ShownAs } from "./view/terminal.ts";

/** The work of all commands: built as one script of its own, which the start loads when a command is called. */
export { reportFailure, reportWrongUse } from "./view/failure.ts";

/** Each command's module, loaded when it is called. */
const commands: { readonly [N in CommandName]: () => Promise<{ run: Run<N> }> } = {
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
  approve: () => import("./commands/approve.ts"),
  ask: () => import("./commands/ask.ts"),
  "copy-sheet": () => import("./commands/copy-sheet.ts"),
  board: () => import("./commands/board.ts"),
  release: () => import("./commands/release.ts"),
  build: () => import("./commands/build.ts"),
  builds: () => import("./commands/builds.ts"),
  testers: () => import("./commands/testers/list.ts"),
  "testers import": () => import("./commands/testers/import.ts"),
  "testers export": () => import("./commands/testers/export.ts"),
  "testers invite": () => import("./commands/testers/invite.ts"),
  "testers end": () => import("./commands/testers/end.ts"),
  update: () => import("./commands/update.ts"),
  events: () => import("./commands/events.ts"),
  wait: () => import("./commands/wait.ts"),
  submit: () => import("./commands/submit.ts"),
  inspect: () => import("./commands/inspect.ts"),
  worker: () => import("./commands/worker.ts"),
  queue: () => import("./commands/queue.ts"),
  "serve-contents": () => import("./commands/serve-contents.ts"),
  keys: () => import("./commands/keys/list.ts"),
  "keys make": () => import("./commands/keys/make.ts"),
  "keys request": () => import("./commands/keys/request.ts"),
  "keys accept": () => import("./commands/keys/accept.ts"),
  "keys hand-over": () => import("./commands/keys/hand-over.ts"),
  "keys adopt": () => import("./commands/keys/adopt.ts"),
  "keys prove": () => import("./commands/keys/prove.ts"),
  "keys export": () => import("./commands/keys/export.ts"),
  "keys restore": () => import("./commands/keys/restore.ts"),
  "stand-in": () => import("./commands/stand-in.ts"),
  retire: () => import("./commands/retire.ts"),
  "rename-identifier": () => import("./commands/rename-identifier.ts"),
  proof: () => import("./commands/proof.ts"),
  completion: () => import("./commands/completion.ts"),
};

/** Does what a command line asks for; gives the exit code. */
export async function call<N extends CommandName>(
  name: N,
  args: readonly unknown[],
  options: ShownAs & Readonly<Record<string, unknown>> & { passphraseFd?: string },
): Promise<number> {
  const terminal = openTerminal(options);
  const { run } = await commands[name]();
  const done = await run(given(rows[name], args, options), { terminal, ports: openPorts(options) });
  return done.ok ? done.value : showFailure(done.problems, terminal);
}
