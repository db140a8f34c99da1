import type { KeyRequest } from "../../agency/history/requests.ts";
import type { ProfileFacts } from "../../app/platforms/apple/profile.ts";
import { isProfileOf } from "../../app/platforms/apple/profile.ts";
import { type CertificateFacts, publicHalfIn } from "../../ground/certificates/certificate.ts";
import { extensionsOf, teamOf } from "../../ground/certificates/extensions.ts";
import { refuse } from "../../ground/problems/result.ts";
import type { Platform } from "../../ground/values/platform.ts";
import { type KeyRole, keyRoleFacts, keyRoles } from "./roles.ts";

/** A request that is open, and whose it is. */
export interface OpenRequest {
  client: string;
  role: KeyRole;
  request: KeyRequest;
}

/** The role that a certificate says of itself that it is for; undefined of one that says nothing known. */
export async function roleIn(certificate: string): Promise<KeyRole | undefined> {
  const own = await extensionsOf(certificate);
  return keyRoles.find((role) => keyRoleFacts[role].marks?.some((mark) => own.includes(mark)));
}

/**
 * The request that a certificate answers: the one of the same public half. Stops: key-unclear where there is none,
 * key-unfit where the certificate is of another kind, profile-foreign where it is of another team
 */
export async function requestFor(
  shown: string,
  facts: CertificateFacts,
  open: readonly OpenRequest[],
  teamFor: (client: string) => string | undefined,
): Promise<OpenRequest & { team: string | undefined }> {
  const half = publicHalfIn(facts.certificate);
  const found = open.find(({ request }) => request.publicKey === half);
  if (!found)
    return refuse("key-unclear", `${shown} (${facts.subject}) answers no request that is open here.`, {
      fix: "Where its key lies in another key chain, export both as a key store there, and `oxalis keys adopt` that.",
    });
  const { client, role } = found;
  const own = await roleIn(facts.certificate);
  if (own !== undefined && own !== role)
    return refuse(
      "key-unfit",
      `${shown} is a ${keyRoleFacts[own].title}; ${client} has asked for a ${keyRoleFacts[role].title}.`,
      {
        client,
      },
    );
  const [team, wanted] = [teamOf(facts.subject), teamFor(client)];
  if (team !== undefined && wanted !== undefined && team !== wanted)
    return refuse("profile-foreign", `${shown} is of the team ${team}; ${client}'s app is signed by ${wanted}.`, {
      client,
    });
  return { ...found, team: team ?? wanted };
}

/** Whose profile one may be: a client with the identifiers of everything of its app that is signed. */
export interface ProfileOwner {
  key: string;
  team: string | undefined;
  apps: readonly { platform: Platform; identifier: string }[];
}

/**
 * Whose profile it is: the one client with an app of its identifier, on its platform and of its team; of one for many
 * identifiers, whom somebody names. Stops: profile-foreign, key-unclear
 */
export function ownerOfProfile(
  shown: string,
  profile: ProfileFacts,
  owners: readonly ProfileOwner[],
  said: string | undefined,
): ProfileOwner {
  const { identifier, platform, team } = profile;
  const asked = said === undefined ? owners : owners.filter(({ key }) => key === said);
  const fit = asked.filter(({ apps }) =>
    apps.some((each) => each.platform === platform && isProfileOf(identifier, each.identifier)),
  );
  if (fit.length === 0)
    return refuse(
      "profile-foreign",
      `${shown} is of ${identifier}, and ${said ?? "no client"} has ${said ? "no" : "an"} app of it.`,
      {
        ...(said === undefined ? {} : { client: said }),
      },
    );
  const ofTeam = fit.filter((each) => each.team === undefined || each.team === team);
  const [only, ...more] = ofTeam;
  const [first] = fit;
  if (!only)
    return refuse(
      "profile-foreign",
      `${shown} is of the team ${team}; ${first?.key}'s app is signed by ${first?.team}.`,
      first ? { client: first.key } : {},
    );
  if (more.length === 0) return only;
  const names = ofTeam.map(({ key }) => key).join(", ");
  return refuse("key-unclear", `${shown} is of ${identifier}, which may be any of ${names}.`, {
    expected: "--client, with a client's key",
  });
}
