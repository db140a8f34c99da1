import type { Fill, PartSurvey } from "./found.ts";

/** What people write beside a name in a build that is not for everybody. */
const words =
  "dev|devel|develop|development|debug|alpha|beta|canary|nightly|preview|stg|stage|staging|qa|uat|test|testing|" +
  "int|integration|internal|local|sandbox|preprod|pre-prod|pre|acc|acceptance";
const behind = new RegExp(`^\\s*[-–·.:_]?\\s*[([]?\\s*(?:${words})\\s*[)\\]]?$`, "i");
const before = new RegExp(`^[([]?\\s*(?:${words})\\s*[)\\]]?\\s*[-–·.:_]?\\s*$`, "i");

const isName = ({ holds, shape }: Fill): boolean => shape === "text" && (holds === "app.label" || holds === "app.name");

/**
 * Names of flavours, configurations and schemes keep what tells them from the name itself: of "Tides" and "Tides Dev",
 * the second is the client's name with " Dev" behind it.
 */
export function keepStageMarks(part: PartSurvey): PartSurvey {
  const named = part.fills.filter(isName).map(({ site }) => site.value);
  const marked = new Set<string>();
  const fills = part.fills.map((fill) => {
    const { value } = fill.site;
    if (!isName(fill) || fill.before || fill.after) return fill;
    const mark = markOf(value, named);
    if (!mark) return fill;
    marked.add(value);
    return { ...fill, ...mark };
  });
  return marked.size === 0 ? part : { ...part, fills, names: part.names.filter((name) => !marked.has(name)) };
}

/** What stands around a name that is also there without it; the longest such name counts. */
function markOf(value: string, named: readonly string[]): { before?: string; after?: string } | undefined {
  const bases = named.filter((name) => name !== "" && name.length < value.length).sort((a, b) => b.length - a.length);
  for (const name of bases) {
    if (value.startsWith(name) && behind.test(value.slice(name.length))) return { after: value.slice(name.length) };
    const first = value.slice(0, -name.length);
    if (value.endsWith(name) && before.test(first)) return { before: first };
  }
  return undefined;
}
