import { problemKinds } from "../../ground/problems/catalogue.ts";
import { isError, type Problem } from "../../ground/problems/problem.ts";
import type { Who } from "../../ground/problems/who.ts";
import { type RecordField, recordFields } from "../../stores/record-fields.ts";
import { type ClientStanding, findingsOf } from "./clients.ts";

/** One act that settles something for several clients. */
export interface Settles {
  /** What is lacking, as all of them have it. */
  what: string;
  /** The finding that says it, of the first of them. */
  of: Problem;
  who: Who;
  /** Keys of the clients, in the board's order. */
  clients: readonly string[];
}

/** What a finding is about, whoever has it: a field in whatever language, or what its message says of all alike. */
function matterOf({ code, about = [], message }: Problem): { key: string; what: string } {
  const { title } = problemKinds[code];
  const field = about.at(-1) ?? "";
  if (about[0] === "store" && Object.hasOwn(recordFields, field)) {
    const { says } = recordFields[field as RecordField];
    return { key: `${code} ${field}`, what: `${title}: ${says.charAt(0).toLowerCase()}${says.slice(1)}` };
  }
  if (about.length > 0) return { key: `${code} ${about.join(".")}`, what: message };
  return { key: `${code} ${message}`, what: message };
}

/** So many acts are named. */
const mostNamed = 5;

/** What several clients lack alike, whatever settles it for most of them first; errors alone, and the first few. */
export function settlesMost(clients: readonly ClientStanding[]): Settles[] {
  const found = new Map<string, Omit<Settles, "clients"> & { clients: Set<string> }>();
  for (const standing of clients)
    for (const each of findingsOf(standing).filter(isError)) {
      const { key, what } = matterOf(each);
      const known = found.get(key) ?? { what, of: each, who: each.who, clients: new Set() };
      found.set(key, known);
      known.clients.add(standing.client);
    }
  return [...found.values()]
    .filter((each) => each.clients.size > 1)
    .sort((a, b) => b.clients.size - a.clients.size)
    .slice(0, mostNamed)
    .map((each) => ({ ...each, clients: [...each.clients] }));
}
