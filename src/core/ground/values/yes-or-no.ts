/** As people say it in a sheet, and as spreadsheet programs show what they keep as true and false. */
const yes: ReadonlySet<string> = new Set(
  "yes y x true 1 on ja j an oui o sí si s wahr vrai verdadero ✓ ✔ ☑".split(" "),
);
const no: ReadonlySet<string> = new Set("no n false 0 - off nein aus non falsch faux falso ✗ ✘ ☐".split(" "));

/** A box before a word says the same as the word. */
const box = /^[☑☐✓✔✗✘]\s*(?=\p{L})/u;

/** What people mean by a word, a tick or an empty box; undefined where that is neither yes nor no. */
export function yesOrNo(said: string): boolean | undefined {
  const plain = said.trim().replace(box, "").toLowerCase();
  return yes.has(plain) ? true : no.has(plain) ? false : undefined;
}

/** The two options of a question that asks for yes or no, in their own words; undefined of any other. */
export function tickOf(options: readonly string[]): { yes: string; no: string } | undefined {
  const [ticked, empty] = [true, false].map((meant) => options.find((option) => yesOrNo(option) === meant));
  return options.length === 2 && ticked !== undefined && empty !== undefined ? { yes: ticked, no: empty } : undefined;
}
