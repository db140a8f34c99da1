// Installs what is missing, then proves the project: lint, types, unused code, build, tests.
import { spawnSync } from "node:child_process";
import { existsSync, readFileSync } from "node:fs";
import { installPackages, must, requireNode, run } from "./run.mjs";

/** Tools that outputs are held against, and the Debian package each is in. */
const tools = [
  { tool: "aapt2", package: "aapt", proves: "Android resources and manifests" },
  {
    file: "/usr/share/android-framework-res/framework-res.apk",
    package: "android-framework-res",
    proves: "Android resources and manifests",
  },
  { tool: "plistutil", package: "libplist-utils", proves: "property lists" },
  { tool: "xmllint", package: "libxml2-utils", proves: "XML files" },
  { tool: "zbarimg", package: "zbar-tools", proves: "codes that cameras read" },
  { tool: "pngcheck", package: "pngcheck", proves: "PNG files" },
  { file: "/usr/bin/convert", package: "imagemagick", proves: "icon files" },
  { tool: "age", package: "age", proves: "what lies in a vault" },
  { tool: "apksigner", package: "apksigner", proves: "signatures of packages" },
  { tool: "zipalign", package: "zipalign", proves: "packages that systems install" },
  { tool: "keytool", package: "default-jre-headless", proves: "key stores" },
  { tool: "osslsigncode", package: "osslsigncode", proves: "what is signed for Windows" },
  { tool: "bsdtar", package: "libarchive-tools", proves: "installers for the Mac" },
  { tool: "readelf", package: "binutils", proves: "libraries" },
  { tool: "openssl", package: "openssl", proves: "key stores and certificates" },
  { tool: "python3", package: "python3", proves: "TOML files" },
  { tool: "redis-server", package: "redis-server", proves: "jobs on several machines" },
  { tool: "chromium", package: "chromium", proves: "the web app and the proof page" },
];

const found = ({ tool, file }) =>
  file ? existsSync(file) : spawnSync("sh", ["-c", `command -v ${tool}`], { stdio: "ignore" }).status === 0;
const missing = () => tools.filter((each) => !found(each));

requireNode();
const isDebian = existsSync("/etc/debian_version");
const isRoot = process.getuid?.() === 0;
if (missing().length > 0 && isDebian && isRoot) {
  const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
  const packages = [...new Set(missing().map((each) => each.package))];
  run("apt-get", ["update", "-qq"], { env });
  run("apt-get", ["install", "-y", "-qq", "--no-install-recommends", ...packages], { env });
} else if (missing().length > 0) {
  const packages = [...new Set(missing().map((each) => each.package))].join(" ");
  console.log(`Wanted, and not here (Debian's names): ${packages}\n`);
}
const lacking = missing();
installPackages();

const bin = (name) => `node_modules/.bin/${name}`;
must(bin("biome"), ["check", "."]);
must(bin("tsc"), []);
must(bin("knip"), []);
must(bin("knip"), ["--production"]);
must("node", ["scripts/build.mjs"]);
// On a machine that verify has set up, a missing tool is a failure, not a reason to skip.
const strict = isDebian && isRoot ? { OXALIS_TOOLS_REQUIRED: "1" } : {};
must(bin("vitest"), ["run"], { env: { ...process.env, ...strict } });

const { version } = JSON.parse(readFileSync("package.json", "utf8"));
if (lacking.length === 0) console.log(`\nOxalis ${version}: all proven.`);
else {
  console.log(`\nOxalis ${version}: what could be run here has passed. Left unproven, for want of a tool:`);
  for (const each of lacking)
    console.log(`  ${each.proves} (${each.tool ?? each.file}, Debian's package ${each.package})`);
}
