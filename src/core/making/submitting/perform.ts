import type { Asked } from "../../ground/interfaces/asked.ts";
import { reveal, type Secret } from "../../ground/values/secret.ts";
import { type Act, keyOfAct } from "./act.ts";
import { pathOf, type Refused, type StoreDoor, type Tagged } from "./door.ts";
import { type FileReader, sendFile } from "./sending.ts";
import type { ReviewAccess } from "./wants.ts";

/** What an act is done with. */
export interface PerformAt {
  door: StoreDoor;
  /** The store's key: acts in two stores are two acts. */
  store: string;
  /** What the store has; undefined before there is a record. */
  before: Tagged | undefined;
  /** Reads a part of a file of the workspace. */
  read: FileReader;
  /** What a variable holds, named as env:NAME. Stops: variable-unset */
  secret(named: string): Secret;
}

/** Does one act in a store; under one key, however often it is asked for, it is done once. */
export async function perform(act: Act, { door, store, before, read, secret }: PerformAt): Promise<Tagged | Refused> {
  for (const { sum, file, kind, size } of filesOf(act)) {
    const sent = await sendFile(door, { sum, file, kind, size }, read);
    if (sent) return sent;
  }
  const { app, tag } = before ? { app: before.app.app, tag: before.tag } : { app: "", tag: undefined };
  const asked = { ...requestOf(act, app, secret), key: keyOfAct(store, app, act, tag) };
  return door.act(tag === undefined ? asked : { ...asked, match: tag });
}

interface SentFile {
  sum: string;
  file: string;
  kind: "package" | "picture";
  size?: number;
}

/** Files that have to be there before an act. */
function filesOf(act: Act): SentFile[] {
  if (act.kind === "send") return [{ ...act.build, kind: "package" }];
  if (act.kind !== "pictures") return [];
  const once = new Map(act.pictures.map((each) => [each.sum, each]));
  return [...once.values()].map(({ sum, file }) => ({ sum, file, kind: "picture" }));
}

/** How whoever reviews signs in, with the password itself: into the request, and nowhere else. */
const opened = ({ user, password }: ReviewAccess, secret: PerformAt["secret"]) => ({
  user,
  password: reveal(secret(password)),
});

/** An act as it is asked for. */
function requestOf(act: Act, app: string, secret: PerformAt["secret"]): Asked {
  const at = pathOf(app);
  switch (act.kind) {
    case "create":
      return { method: "POST", path: "/apps", body: act.body };
    case "texts":
      return { method: "PUT", path: `${at}/texts/${encodeURIComponent(act.language)}`, body: act.fields };
    case "facts":
    case "answers":
      return { method: "PUT", path: `${at}/${act.kind}`, body: act.fields };
    case "pictures":
      return { method: "PUT", path: `${at}/pictures`, body: act.pictures.map(({ file: _, ...picture }) => picture) };
    case "goods":
      return { method: "PUT", path: `${at}/goods`, body: act.goods };
    case "send": {
      const { sum, version, build } = act.build;
      return { method: "POST", path: `${at}/builds`, body: { sum, version, build } };
    }
    case "attach":
      return { method: "PUT", path: `${at}/version`, body: { version: act.version, build: act.build } };
    case "testers":
      return { method: "PUT", path: `${at}/testers/${act.track}`, body: act.testers };
    case "test":
      return { method: "POST", path: `${at}/testing`, body: { build: act.build, tracks: act.tracks } };
    case "reply":
      return { method: "POST", path: `${at}/replies`, body: { says: act.text } };
    case "submit":
      return { method: "POST", path: `${at}/reviews`, body: act.access ? { access: opened(act.access, secret) } : {} };
    case "withdraw":
      return { method: "DELETE", path: `${at}/reviews` };
    case "release":
      return { method: "PUT", path: `${at}/going-out`, body: act.how };
  }
}
