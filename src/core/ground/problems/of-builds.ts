import type { ProblemKind } from "./kind.ts";

/** What can be wrong with builds and packages. */
export const ofBuilds = {
  "build-unknown": {
    title: "A platform of which it is not said how it is built",
    fix: "Give its steps under `builds` in template.yaml: docs/builds.md shows them.",
  },
  "build-failed": {
    title: "A build that failed",
    fix: "Look at the place that is named, or at the log.",
  },
  "build-elsewhere": {
    title: "A build that this machine cannot do",
    fix: "Build it by hand as its sheet says, and take the result in by `oxalis build --adopt <file>`.",
  },
  "build-running": {
    title: "A build that another run has under way",
    fix: "Wait for it to end: both would make the same.",
  },
  "telling-failed": {
    title: "The agency's command for builds that are done did not end well",
    fix: "Look at `builds: { done: … }` in oxalis.yaml; the builds are as they are listed.",
  },
  "build-stopped": {
    title: "A build that was not begun, since another failed by what would stop it too",
    fix: "Mend what stopped the other one, and build again.",
  },
  "build-outside": {
    title: "Files outside of a build that changed while it was made",
    fix: "Where no person did it, let the steps write below their own folder alone.",
  },
  "build-refused": {
    title: "A build that is not as it was asked for",
    fix: "Name one client, one platform and one stage that it is of.",
  },
  "package-unreadable": {
    title: "A file that is no package, or none that can be read",
    fix: "Look at what made it: a package of this kind is a ZIP archive with a manifest.",
  },
  "package-foreign": {
    title: "A package that is another app's, or says so",
    fix: "Give it to nobody: build it again from this client's variant.",
  },
  "package-left": {
    title: "A word of the template's in a package",
    fix: "Look at the file that is named: `oxalis audit` shows whether the variant has it too, and what settles it.",
  },
  "package-stale": {
    title: "A package of another version or number",
    fix: "Let the steps take VERSION and BUILD, or what the variant's project says, and build again.",
  },
  "package-unfit": {
    title: "A package that no store takes",
    fix: "Build a release, by the tools that make a package whole.",
  },
  "package-size": {
    title: "A package of quite another size than the last one",
    fix: "Look at what came in or was left out before anybody gets it: `oxalis inspect` shows both side by side.",
  },
  "package-signer": {
    title: "A package that another key signs than the client's",
    fix: "Let the steps sign with SIGNING_STORE, and build again.",
  },
  "variable-unset": {
    title: "A variable of the environment that is named, and is not set",
    fix: "Set it in the environment.",
  },
  "queue-unreachable": {
    title: "A queue of jobs that does not answer",
    fix: "Look at `machines.queue` in oxalis.yaml, and whether the server runs and may be reached from here.",
  },
  "queue-version": {
    title: "Machines that have different versions of Oxalis",
    fix: "Install the same version on all of them: what another one draws or builds need not be the same.",
  },
  "queue-aside": {
    title: "A job that several machines have given up",
    fix: "Mend what is named; `oxalis queue --again <job>` lets it be tried anew, `--drop <job>` takes it out.",
  },
  "job-invalid": {
    title: "A job that is not one, or not of this form",
    fix: "Look at who else writes to the queue; `oxalis queue --drop <job>` takes it out.",
  },
  "job-missing": {
    title: "A job that the queue does not have, or that a machine has in hand",
    fix: "`oxalis queue` lists them.",
  },
  "contents-missing": {
    title: "A file that machines share and that is not there",
    fix: "Look at `machines.contents` in oxalis.yaml: every machine has to have the same.",
  },
  "contents-damaged": {
    title: "A file that machines share and that is not what its sum says",
    fix: "Remove it from the folder of contents: it is put there again.",
  },
  "contents-refused": {
    title: "A token that the store of contents does not know",
    fix: "Give the same one there and here: `machines.token` in oxalis.yaml names its variable.",
  },
  "contents-unreachable": {
    title: "A store of contents that does not answer",
    fix: "Look at `machines.contents` in oxalis.yaml, and whether `oxalis serve-contents` runs there.",
  },
} satisfies Record<string, ProblemKind>;
