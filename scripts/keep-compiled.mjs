// Loaded before the program: keeps what the engine has compiled of its script, in the file that OXALIS_COMPILED names.
import { writeFileSync } from "node:fs";
import { syncBuiltinESMExports } from "node:module";
import vm from "node:vm";

let script;
vm.Script = class extends vm.Script {
  constructor(...given) {
    super(...given);
    script = this;
  }
};
syncBuiltinESMExports();
process.on("exit", () => writeFileSync(process.env.OXALIS_COMPILED, script.createCachedData()));
