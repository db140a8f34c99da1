import { spawnSync } from "node:child_process";
import { existsSync } from "node:fs";

/** Whether an independent tool is here. Where verify has set the machine up, a missing one fails the test instead. */
export function hasTool(tool: string): boolean {
  const here = tool.startsWith("/")
    ? existsSync(tool)
    : spawnSync("sh", ["-c", `command -v ${tool}`], { stdio: "ignore" }).status === 0;
  return here || process.env.OXALIS_TOOLS_REQUIRED === "1";
}

/** Runs an independent tool; gives its output, or throws with what it said. */
export function tool(command: string, args: readonly string[], input?: string): string {
  const { status, stdout, stderr, error } = spawnSync(command, args, {
    encoding: "utf8",
    input,
    maxBuffer: 64 * 1024 * 1024,
  });
  if (error) throw error;
  if (status !== 0) throw new Error(`${command} ${args.join(" ")} ended with ${status}:\n${stdout}${stderr}`);
  return stdout;
}
