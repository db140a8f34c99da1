import type { Problem } from "../../ground/problems/problem.ts";
import type { Result } from "../../ground/problems/result.ts";
import type { Document } from "../documents/document.ts";
import type { SoundPart } from "../documents/validate.ts";
import type { KeyRecords } from "../history/keys.ts";
import type { Ledger } from "../history/ledger.ts";
import type { ProfileRecords } from "../history/profiles.ts";
import type { KeyRequests } from "../history/requests.ts";
import type { Retired } from "../history/retired.ts";
import type { Agency } from "./schema/agency.ts";
import type { Brief } from "./schema/brief.ts";
import type { TemplateNotes } from "./schema/template.ts";

/** A validated file with the way back to its lines. */
export interface Parsed<T> {
  data: T;
  document: Document;
}

/** What may be known of a client's keys, without any secret. */
export interface OwnKeys {
  /** By what they are for. */
  records: KeyRecords;
  /** Certificates that are asked for, by what they are for. */
  requests: KeyRequests;
  /** Provisioning profiles, by kind and identifier. */
  profiles: ProfileRecords;
}

export interface Client {
  key: string;
  /** Absolute path of the client's folder. */
  folder: string;
  /** Absent when the brief cannot be used; `problems` then says why. */
  brief?: Parsed<Brief>;
  /** What of the brief can be read, where it is YAML and cannot be used all the same: to be told of, never made. */
  rest?: Parsed<Brief> & Pick<SoundPart<Brief>, "without">;
  /** What has been in use; absent where nothing has. */
  ledger?: Ledger;
  /** What may be known of its keys; or why it is not known. */
  keys?: Result<OwnKeys>;
  problems: readonly Problem[];
}

export interface Workspace {
  /** Absolute path. */
  root: string;
  agency: Parsed<Agency>;
  notes: Parsed<TemplateNotes>;
  /** Absolute path of the template. */
  template: string;
  /** Those in service; nothing is made, asked or told of the others. */
  clients: Client[];
  /** Those out of service: what they have had stays theirs. */
  retired: (Client & { since: Retired })[];
  /** What is made is not for the store, but for this stage. */
  stage?: Stage;
}

/** A stage by its name, and what its variants have that the store's do not. */
export interface Stage {
  name: string;
  has: Agency["stages"][string];
}
