import { isChanged, unsigned } from "./engine/apps.ts";
import type { Account, KeptApp } from "./engine/kept.ts";
import { buildOn, markIn } from "./engine/testing.ts";

/** What an app's state is known by. */
export const tagOf = ({ app, revision }: KeptApp): string => `"${app}-${revision}"`;

export const idOf = ({ app }: KeptApp, number: number): string => `${app}-${number}`;

/** The number behind an id; 0 where it is none of this app. */
export const numberBehind = (app: string, id: string | undefined): number =>
  id?.startsWith(`${app}-`) ? Number(id.slice(app.length + 1)) || 0 : 0;

export const happenedWire = (app: KeptApp, { number, ...happened }: KeptApp["happened"][number]) => ({
  ...happened,
  id: idOf(app, number),
  app: app.app,
  identifier: app.identifier,
});

const timeOf = (at: number): string => new Date(at).toISOString();

/** An app as it goes over the wire. */
export function wireOf(app: KeptApp, account: Account) {
  const { version, live, out, heldUntil } = app;
  return {
    ...{ app: app.app, identifier: app.identifier, name: app.name, language: app.language },
    ...(heldUntil === undefined || app.hasLapsed ? {} : { heldUntil: timeOf(heldUntil) }),
    ...app.draft,
    builds: app.builds.map(({ build, version: of, sum, state, why, since, until }) => ({
      ...{ build, version: of, sum, state, since: timeOf(since) },
      ...(why === undefined || state === "processing" ? {} : { why }),
      ...(until === undefined ? {} : { until: timeOf(until) }),
    })),
    ...(version
      ? {
          version: {
            ...{ version: version.version, station: version.station, since: timeOf(version.since) },
            ...(version.build === undefined ? {} : { build: version.build }),
            ...(version.refusal ? { refusal: version.refusal } : {}),
          },
        }
      : {}),
    ...(live ? { live: { ...live, since: timeOf(live.since) } } : {}),
    ...(out
      ? { out: { share: out.share, isPhased: out.isPhased, isPaused: out.isPaused, since: timeOf(out.since) } }
      : {}),
    testers: Object.fromEntries(
      Object.entries(app.testers).map(([track, people]) => [
        track,
        people.map(({ address, group, came }) => ({
          ...{ address, group, link: `/join/${app.store}/${app.app}/${markIn(app.app, address)}` },
          ...(came === undefined ? {} : { came: timeOf(came), build: buildOn(app, track) }),
        })),
      ]),
    ),
    testing: app.testing.map(({ decidesAt: _, ...each }) => each),
    agreements: unsigned(account),
    isChanged: isChanged(app),
  };
}
