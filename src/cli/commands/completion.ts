import { succeed } from "../../core/ground/problems/result.ts";
import { workspaceNames } from "../../core/operations/names.ts";
import type { Run } from "../command.ts";
import { complete } from "../rows/complete.ts";

/** Scripts that ask the program itself; where it has no answer, shells complete files. */
const scripts = {
  bash: `_oxalis() {
  local IFS=$'\\n'
  COMPREPLY=($(oxalis completion words -- "\${COMP_WORDS[@]:1:COMP_CWORD}" 2>/dev/null))
}
complete -o default -F _oxalis oxalis
`,
  zsh: `#compdef oxalis
_oxalis() {
  local -a found
  found=(\${(f)"$(oxalis completion words -- "\${(@)words[2,CURRENT]}" 2>/dev/null)"})
  if (( \${#found} )); then compadd -a found; else _files; fi
}
compdef _oxalis oxalis
`,
  fish: `complete -c oxalis -a '(oxalis completion words -- (commandline -opc)[2..] (commandline -ct) 2>/dev/null)'
`,
};

export const run: Run<"completion"> = async ({ shell, words }, { terminal, ports }) => {
  if (shell !== "words") {
    terminal.raw(scripts[shell].trimEnd());
    return succeed(0);
  }
  const named = await workspaceNames({}, ports);
  const found = complete(words, (kind) => (named.ok ? named.value[kind] : []));
  if (found.length > 0) terminal.raw(found.join("\n"));
  return succeed(0);
};
