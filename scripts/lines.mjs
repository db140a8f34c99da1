// Counts lines of code, and what share of them are tests.
import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";

const files = execFileSync("git", ["ls-files", "-co", "--exclude-standard", "-z", "src", "test"], {
  encoding: "utf8",
});
const count = (folder) =>
  files
    .split("\0")
    .filter((file) => file.startsWith(`${folder}/`) && /\.(ts|tsx|mjs)$/.test(file))
    .reduce((sum, file) => sum + readFileSync(file, "utf8").split("\n").length - 1, 0);
const [src, test] = [count("src"), count("test")];
console.log(`src ${src}, test ${test}: tests are ${Math.round((100 * test) / (src + test))} % of the code`);
