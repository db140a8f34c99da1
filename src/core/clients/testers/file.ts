import { isMap, isSeq, parseDocument, type YAMLMap } from "yaml";
import type { Tester } from "../../agency/workspace/schema/testers.ts";

/** How testers.yaml looks where nobody has written one. */
const fresh = `# Who tries the apps before everybody gets them: names and addresses of people. Think of who sees it.
groups: {}
testers: []
`;

/** Testers, put into the text of their file: known ones, by their address, are brought up to date, others are added. */
export function withTesters(text: string | undefined, testers: readonly Tester[]): string {
  const document = parseDocument(text ?? fresh);
  const all = entriesIn(document);
  for (const tester of testers) {
    const known = all.find((each) => isOf(each, tester.address));
    if (!known) document.addIn(["testers"], document.createNode(tester));
    else for (const [field, value] of Object.entries(tester)) known.set(field, document.createNode(value));
  }
  const list = document.get("testers");
  if (isSeq(list)) list.flow = false;
  return document.toString({ lineWidth: 120 });
}

/** The text of the file without somebody: nothing of them is left in it. */
export function withoutTester(text: string, address: string): string {
  const document = parseDocument(text);
  const at = entriesIn(document).findIndex((each) => isOf(each, address));
  if (at >= 0) document.deleteIn(["testers", at]);
  return document.toString({ lineWidth: 120 });
}

function entriesIn(document: ReturnType<typeof parseDocument>): YAMLMap[] {
  const list = document.get("testers");
  return isSeq(list) ? list.items.filter(isMap) : [];
}

const isOf = (entry: YAMLMap, address: string): boolean =>
  String(entry.get("address")).toLowerCase() === address.toLowerCase();
