import { buildsAt, buildsOf } from "../agency/history/builds.ts";
import { type Trying, tryingOf } from "../agency/history/trying.ts";
import { readTesters, testersFile } from "../agency/workspace/testers.ts";
import type { Workspace } from "../agency/workspace/workspace.ts";
import type { Resolved } from "../app/variant/variant.ts";
import { resolvePicked } from "../clients/derive/resolve.ts";
import { agreed, type Tries, triersOf } from "../clients/testers/who.ts";
import { ofClient, type Problem, problem } from "../ground/problems/problem.ts";
import { attempt, refuse } from "../ground/problems/result.ts";
import { sha256 } from "../ground/values/hash.ts";
import { platforms } from "../ground/values/platform.ts";
import { buildFolder } from "../making/building/work.ts";
import { accentOf } from "../pages/parts/accent.ts";
import { wordsInFirst } from "../pages/words/own.ts";
import { installPageName } from "../showing/installing/files.ts";
import { installableOf } from "../showing/installing/steps.ts";
import { type Invitation, invitationOf, type WayToGet } from "../showing/inviting/invitation.tsx";
import { chooseNamed, type OfClients } from "./running/chosen.ts";
import { openDoors } from "./running/doors.ts";
import { operation } from "./running/operation.ts";
import type { Ports } from "./running/ports.ts";
import { messageId, senderOf } from "./running/sender.ts";
import { keepTrying, lookAtTesters } from "./running/trying.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  dryRun: boolean;
  /** Also who was invited to this version before, or may have been. */
  again: boolean;
}

/** An invitation, and what became of it. */
export interface Invited {
  client: string;
  address: string;
  state: "sent" | "unsure" | "refused" | "would" | "was" | "nothing";
  subject: string;
  text: string;
}

export interface AllInvited {
  invited: readonly Invited[];
  problems: readonly Problem[];
}

/** Invites those who try clients' apps: each in their language, once a version, by a link of their own. */
export const inviteTesters = operation(async (input: Input, ports): Promise<AllInvited> => {
  const workspace = await openWorkspace(input, ports);
  const testers = readTesters(workspace.root);
  if (!testers) return refuse("tester-unknown", `There is no ${testersFile} yet.`);
  const { all, picked } = await resolvePicked(workspace, await chooseNamed(workspace, input, "submission-unclear"));
  const doors = openDoors(workspace, all, ports);
  const invited: Invited[] = [];
  const problems: Problem[] = [];
  for (const view of picked) {
    const { key: client } = view.client;
    const looked = await lookAtTesters(workspace, view, doors);
    problems.push(...looked.problems);
    const trying = tryingOf.read(workspace.root, client) ?? {};
    for (const who of agreed(triersOf(testers, client, ports.today()))) {
      const ways = [...pagesFor(workspace, view, who), ...(looked.links.get(who.mark) ?? [])];
      const letter = invitationIn(workspace, view, who, ways);
      const before = trying[who.mark];
      const isDone = before?.version === letter.version && before.state !== undefined;
      const about = { client, address: who.address, ...invitationOf(letter) };
      const { html: _, ...shown } = about;
      if (ways.length === 0) invited.push({ ...shown, state: "nothing" });
      else if (isDone && !input.again) invited.push({ ...shown, state: before.state === "unsure" ? "unsure" : "was" });
      else if (input.dryRun) invited.push({ ...shown, state: "would" });
      else {
        const sent = await send(workspace, about, { mark: who.mark, version: letter.version }, ports);
        invited.push({ ...shown, state: sent.state });
        problems.push(...ofClient(client, sent.problems));
        if (sent.isEnd) return { invited, problems };
      }
    }
  }
  return { invited, problems };
});

function invitationIn(
  workspace: Workspace,
  { client, values }: Resolved,
  who: Tries,
  ways: readonly WayToGet[],
): Invitation {
  const { agency, defaults } = workspace.agency.data;
  return {
    agency: agency.name,
    accent: accentOf(workspace).accent,
    name: values["app.name"]?.value ?? client.key,
    version: values.version?.value ?? "",
    person: who.name,
    address: who.address,
    consent: who.consent ?? "",
    ways,
    words: wordsInFirst(workspace.root, [who.language, values.locale?.value, defaults.locale, agency.language]),
  };
}

/** Install pages that are served, of the last good builds that are no store's; each by a link of their own. */
function pagesFor({ root, agency }: Workspace, { client }: Resolved, who: Tries): WayToGet[] {
  const { address } = agency.data.builds;
  if (address === undefined) return [];
  const all = buildsOf.read(root, client.key) ?? {};
  const wanted = who.platforms ?? platforms;
  return Object.keys(agency.data.stages).flatMap((stage) =>
    wanted.flatMap((platform): WayToGet[] => {
      const good = buildsAt(all, stage, platform).find(({ state, removed }) => state === "good" && !removed);
      if (!good || !installableOf(good.files)) return [];
      const folder = buildFolder({ ...good, client: client.key }).replace(/^builds\//, "");
      return [
        {
          joins: "page",
          link: new URL(`${folder.replaceAll("+", "%2B")}/${installPageName}?for=${who.mark}`, address).href,
        },
      ];
    }),
  );
}

interface Sent {
  state: Invited["state"];
  problems: readonly Problem[];
  /** Nothing more can be sent. */
  isEnd: boolean;
}

/** Sends one; that it is about to be sent is kept before, so that nobody gets it twice unasked. */
async function send(
  workspace: Workspace,
  letter: { client: string; address: string; subject: string; text: string; html: string },
  { mark, version }: { mark: string; version: string },
  ports: Ports,
): Promise<Sent> {
  const sender = attempt(() => senderOf(workspace, ports));
  if (!sender.ok) return { state: "refused", problems: sender.problems, isEnd: true };
  const { server, from } = sender.value;
  const keep = (change: (before: Trying) => Trying) =>
    keepTrying(workspace.root, letter.client, new Map([[mark, change]]));
  await keep((before) => ({ ...before, invited: ports.today(), version, state: "unsure" }));
  const id = messageId(sha256(`${mark} ${version}`), from);
  const { subject, text, html, address: to } = letter;
  const mail = { id, from, to, subject, text, html, attachments: [] };
  const delivery = await ports.sendMail(server, mail);
  if (delivery.state === "taken") {
    await keep((before) => ({ ...before, state: "invited" }));
    return { state: "sent", problems: [], isEnd: false };
  }
  if (delivery.state === "unsure") {
    const unsure = problem("tester-unsure", `An invitation to ${to} may have arrived.`, { severity: "warning" });
    return { state: "unsure", problems: [unsure], isEnd: false };
  }
  // An invitation that was not taken is none.
  await keep(({ invited: _, version: __, state: ___, ...rest }) => rest);
  return { state: "refused", problems: [delivery.problem], isEnd: delivery.state === "unreached" };
}
