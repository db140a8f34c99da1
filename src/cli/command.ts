import type { Result } from "../core/ground/problems/result.ts";
import type { Ports } from "../core/operations/running/ports.ts";
import type { Given } from "./rows/row.ts";
import type { CommandName, rows } from "./rows/table.ts";
import type { Terminal } from "./view/terminal.ts";

/** What a command has to do with: where it shows things, and the world. */
export interface With {
  terminal: Terminal;
  ports: Ports;
}

/** What a command is given, by its name. */
export type GivenTo<N extends CommandName> = Given<(typeof rows)[N]>;

/** A command: calls its operation and shows what comes of it. The value is the exit code. */
export type Run<N extends CommandName> = (given: GivenTo<N>, using: With) => Promise<Result<number>>;
