import { type Problem, problem } from "../../ground/problems/problem.ts";
import { attemptAsync, fail, type Result } from "../../ground/problems/result.ts";
import type { Ports } from "./ports.ts";

/** What a command decides and does: plain data in, plain data out, events on the way. */
export type Operation<Input, Output> = (input: Input, ports: Ports) => Promise<Result<Output>>;

/**
 * An operation. What stops it, and what the system refuses, are its problems; anything else that is thrown is a
 * defect.
 */
export const operation =
  <Input, Output>(work: (input: Input, ports: Ports) => Promise<Output>): Operation<Input, Output> =>
  async (input, ports) => {
    try {
      return await attemptAsync(() => work(input, ports));
    } catch (error) {
      const refused = refusedBySystem(error);
      if (!refused) throw error;
      return fail(refused);
    }
  };

/** What the operating system says no to, as a problem; undefined where it was something else. */
function refusedBySystem(error: unknown): Problem | undefined {
  const { code, syscall, message } = error as NodeJS.ErrnoException;
  if (code === undefined || syscall === undefined || syscall === "uv_cwd") return undefined;
  const isWriting = /^(E?ROFS|EACCES|EPERM|ENOSPC|EDQUOT)$/.test(code);
  return problem(isWriting ? "write-failed" : "file-unreadable", `${message}.`);
}
