import type { CommandName } from "./table.ts";

/** Calls that show what a command is for, as they are typed behind `oxalis`. */
export const examples: Readonly<Record<CommandName, readonly string[]>> = {
  demo: ["demo ./market"],
  init: [
    "init ./farms --template ./shared-app --dry-run",
    'init ./farms --template ./shared-app --agency "Lanternfield"',
  ],
  import: [
    "import roster.csv --dry-run",
    "import roster.csv --pictures ./logos --strict",
    "import boxes.csv --collection boxes",
  ],
  export: ["export roster.xlsx", "export boxes.csv --collection boxes"],
  clients: ["clients --state ready", "clients --group coast --csv"],
  explain: [
    "explain saltmarsh",
    "explain saltmarsh identifiers.android",
    'explain saltmarsh --pattern "{domain reversed}.{key joined}"',
  ],
  art: ["art --platform android", "art --guide guide.html"],
  check: ["check", "check --group coast --strict", 'check "s*" --report findings.sarif'],
  generate: ["generate", "generate saltmarsh --dry-run", "generate --stage testers"],
  audit: ["audit", "audit --report audit.xml", "audit saltmarsh -v"],
  proof: ["proof", "proof saltmarsh -o saltmarsh.html"],
  board: ["board", "board saltmarsh -v", "board --page board.html"],
  ask: ["ask --dry-run", "ask saltmarsh --into ./letters --until 2026-12-18"],
  approve: ['approve "*" --by "Mara Lind" --dry-run', 'approve saltmarsh --by "Mara Lind" --field short'],
  "copy-sheet": ["copy-sheet saltmarsh google-play", 'copy-sheet "*" --output ./sheets'],
  release: [
    "release saltmarsh --platform android --dry-run",
    'release saltmarsh --note "en=First boxes"',
    'release "*" --patch --dry-run --force',
    "release saltmarsh --take-back",
  ],
  keys: ["keys", "keys --within 90"],
  "keys make": ["keys make", "keys make saltmarsh --dry-run"],
  "keys adopt": ["keys adopt saltmarsh-upload.p12", "keys adopt old.p12 --client saltmarsh --alias upload"],
  "keys prove": ["keys prove"],
  "keys export": ["keys export keys.zip.age"],
  "keys restore": ["keys restore keys.zip.age"],
  retire: ["retire saltmarsh", "retire saltmarsh --back"],
  "rename-identifier": ["rename-identifier saltmarsh android example.saltmarsh.boxes"],
  clean: ["clean", "clean --variants"],
  schema: ["schema brief"],
  completion: ["completion bash"],
};
