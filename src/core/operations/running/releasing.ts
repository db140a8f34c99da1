import { ledgers } from "../../agency/history/ledger.ts";
import { variantPath } from "../../agency/workspace/stage.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import { openTemplate, templateRevision } from "../../app/survey/template.ts";
import { receiptFile } from "../../app/variant/receipt-file.ts";
import type { Resolved, Variant } from "../../app/variant/variant.ts";
import { resolvePicked } from "../../clients/derive/resolve.ts";
import type { ClientView } from "../../clients/record/read.ts";
import { notesFor } from "../../clients/release/notes.ts";
import { judgeNotes, type Kind, type PlannedRelease, planRelease } from "../../clients/release/release.ts";
import { lookAt } from "../../ground/files/writing/door.ts";
import { type Change, writeTogether } from "../../ground/files/writing/together.ts";
import { isError, type Problem, stoppedPlatforms } from "../../ground/problems/problem.ts";
import { attempt, stopAt } from "../../ground/problems/result.ts";
import type { Platform } from "../../ground/values/platform.ts";
import { readReceipt, receiptSum } from "../../making/jobs/receipt.ts";
import { findOpen, findUnconfirmed, findUnproven, type Held } from "../../proving/held-back.ts";
import { boardOf } from "../../proving/standing/board.ts";
import { noted, type Ports } from "./ports.ts";
import { seenChanges } from "./seen.ts";

export interface ReleaseInput {
  /** Absent for a first release. */
  kind?: Kind | undefined;
  /** What changed, such as "de=Neue Kisten"; a note without a language is in the workspace's own. */
  notes: readonly string[];
  /** Only for these platforms; for all that a client wants where there are none. */
  platforms: readonly Platform[];
  /** Also what no whole variant proves. */
  force: boolean;
  dryRun: boolean;
}

/** Which numbers were taken, and which were not, because of what. */
export interface Released {
  releases: readonly PlannedRelease[];
  problems: readonly Problem[];
}

/** Takes the next version and build number of clients, by their keys; the workspace is held. */
export async function releaseIn(
  workspace: Workspace,
  clients: readonly string[],
  input: ReleaseInput,
  ports: Ports,
): Promise<Released> {
  const resolved = await resolvePicked(workspace, clients);
  const notes = notesByLanguage(input.notes, workspace.agency.data.defaults.locale ?? "en");
  const request = {
    ...(input.kind ? { kind: input.kind } : {}),
    today: ports.today(),
    ...noted(ports),
    template: templateRevision(openTemplate(workspace)),
  };
  const ready = resolved.picked.filter(isMade);
  const asked = ready.map((each) => ({
    each,
    platforms: platformsFor(each, input.platforms),
    said: notesFor(each.variant, notes),
  }));
  stopAt(uniqueOf(asked.flatMap(({ said }) => said.problems)));
  const planned = asked.map(({ each, platforms, said }) =>
    planRelease(each, { ...request, notes: said.notes, platforms }),
  );
  stopAt([
    ...uniqueOf(asked.flatMap(({ platforms, said }) => judgeNotes({ notes: said.notes, platforms }))),
    ...planned.flatMap((each) => (each.ok ? [] : each.problems)),
  ]);
  const held = input.force ? [] : await heldBack(workspace, { all: resolved.all, picked: ready }, input, ports);
  const releases = asked.flatMap(({ each, platforms, said }) => {
    const proven = platforms.filter((platform) => !isHeld(held, each.client.key, platform));
    // One that is held lets no other through, unless those were named.
    const isPart = proven.length < platforms.length || stoppedPlatforms(each.problems).length > 0;
    const left = isPart && input.platforms.length === 0 ? [] : proven;
    const sum = variantSum(workspace, each.client.key);
    const plan = planRelease(each, {
      ...request,
      notes: said.notes,
      platforms: left,
      ...(sum === undefined ? {} : { variant: sum }),
    });
    return plan.ok ? [plan.value] : [];
  });
  const changes = releases.flatMap(({ client, ledger, after }) => [
    ...ledgers.changes(workspace.root, client, ledger),
    ...seenOfNumber(workspace, resolved.picked, client, after.build),
  ]);
  if (!input.dryRun && changes.length > 0) writeTogether(workspace.root, changes);
  const faulty = resolved.picked.filter((each) => !isMade(each));
  const stopped = faulty.flatMap(({ problems }) => problems.filter(isError));
  return { releases, problems: [...stopped, ...held.map(({ problem }) => problem)] };
}

function seenOfNumber(workspace: Workspace, picked: readonly ClientView[], key: string, build: number): Change[] {
  const { client, variant, told } = picked.find((each) => each.client.key === key) ?? {};
  return client && variant && told ? seenChanges(workspace, { client, variant, told }, build) : [];
}

const isMade = (view: ClientView): view is ClientView & { variant: Variant } => view.variant !== undefined;

/** What is wrong for several clients alike is told once. */
const uniqueOf = (problems: readonly Problem[]): Problem[] => [
  ...new Map(problems.map((each) => [`${each.code} ${each.message}`, each])).values(),
];

/** What a client takes a number for: what it is made for, of what is asked for. */
const platformsFor = ({ variant }: ClientView, wanted: readonly Platform[]): Platform[] =>
  variant?.platforms.filter((platform) => wanted.length === 0 || wanted.includes(platform)) ?? [];

/** What is not proven or not complete, of what is asked for. */
async function heldBack(
  workspace: Workspace,
  resolved: { all: readonly Resolved[]; picked: readonly ClientView[] },
  { platforms: wanted }: Pick<ReleaseInput, "platforms">,
  ports: Ports,
): Promise<Held[]> {
  const held = [
    ...findUnconfirmed(resolved.picked),
    ...(await findUnproven(workspace, resolved)),
    ...findOpen(boardOf(workspace, resolved, ports.today())),
  ];
  return held.filter(({ platforms }) => wanted.length === 0 || platforms.some((each) => wanted.includes(each)));
}

/** The sum of a client's variant as it lies there; undefined where there is none that can be read. */
function variantSum(workspace: Workspace, key: string): string | undefined {
  const folder = variantPath(workspace, key);
  if (!lookAt(workspace.root, `${folder}/${receiptFile}`)) return undefined;
  const receipt = attempt(() => readReceipt(workspace.root, folder, key));
  return receipt.ok ? receiptSum(receipt.value) : undefined;
}

const isHeld = (held: readonly Held[], client: string, platform: Platform): boolean =>
  held.some(({ problem, platforms }) => isError(problem) && problem.client === client && platforms.includes(platform));

function notesByLanguage(given: readonly string[], locale: string): Record<string, string> {
  const pairs = given.map((text) => {
    const [, language, note] = /^([a-z]{2,3}(?:-[A-Za-z0-9]+)*)=([\s\S]*)$/.exec(text) ?? [];
    return language && note !== undefined ? [language, note.trim()] : [locale, text.trim()];
  });
  return Object.fromEntries(pairs);
}
