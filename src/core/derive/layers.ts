import { expectedAmong } from "../problems/nearest.ts";
import { type Problem, problem } from "../problems/problem.ts";
import { type Step, type Traced, traced } from "../values/trail.ts";
import type { Document, Path } from "../workspace/document.ts";
import type { Client, Workspace } from "../workspace/read.ts";

type Said = Pick<Step, "by" | "note">;

/** What the agency, the client's groups in their order, and the brief say of a field; each later one wins. */
export function layered({ agency }: Workspace, { brief }: Client, path: Path): Traced | undefined {
  const layers: { document: Document; path: Path; said: Said }[] = [
    {
      document: agency.document,
      path: ["defaults", ...path],
      said: { by: "agency", note: "the agency's default for all" },
    },
    ...(brief?.data.groups ?? []).map((group) => ({
      document: agency.document,
      path: ["groups", group, ...path],
      said: { by: "group" as const, note: `the group ${group}` },
    })),
    ...(brief
      ? [{ document: brief.document, path, said: { by: "brief" as const, note: "given in the brief" } }]
      : []),
  ];
  const [first, ...more] = layers.flatMap(
    ({ document, path: at, said }) => readAt(document, at, said)?.trail ?? [],
  );
  return first && traced(first, ...more);
}

/** A value as it stands in a document; undefined where it is not there. */
export function readAt(document: Document, path: Path, said: Said): Traced | undefined {
  const value = path.reduce<unknown>(
    (at, step) => (at as Record<string | number, unknown> | undefined)?.[step],
    document.data,
  );
  if (value === undefined || value === null) return undefined;
  return traced({ ...said, value: String(value).trim().normalize("NFC"), place: document.placeOf(path) });
}

/** Groups that a brief names and oxalis.yaml does not have. */
export function unknownGroups({ agency }: Workspace, { brief }: Client): Problem[] {
  const known = Object.keys(agency.data.groups);
  return (brief?.data.groups ?? []).flatMap((group, at) => {
    if (known.includes(group)) return [];
    const expected = expectedAmong(group, known, "groups in oxalis.yaml");
    return [
      problem("group-unknown", `No group is called "${group}".`, {
        expected,
        place: brief?.document.placeOf(["groups", at]),
      }),
    ];
  });
}
