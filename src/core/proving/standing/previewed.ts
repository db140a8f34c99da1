import { captureFolder } from "../../clients/record/captures.ts";
import type { Preview } from "../../clients/record/previews.ts";
import type { StoreRecord } from "../../clients/record/record.ts";
import { type Problem, type ProblemDetail, problem } from "../../ground/problems/problem.ts";
import type { StoreDefinition } from "../../stores/definition.ts";
import type { PreviewRow } from "../../stores/preview-row.ts";

type Judged = Pick<StoreRecord, "client" | "previews">;

/** Holds the films of a running app against what a store takes. */
export function judgePreviews(store: StoreDefinition, { client, previews }: Judged): Problem[] {
  const rows = store.previews.flatMap((row) => {
    const own = previews.filter(({ device }) => device === row.device);
    return [...own.flatMap((each) => judged(each, row, client)), ...tooMany(store, row, own, client)];
  });
  return [...rows, ...untaken(store, { client, previews })];
}

function judged({ file, bytes, film }: Preview, row: PreviewRow, client: string): Problem[] {
  const about = ["previews", row.device, file];
  const told = (says: string, expected: string, severity: ProblemDetail["severity"] = "error") =>
    problem("preview-invalid", `${file} ${says}.`, { client, about, expected, severity });
  const [least, most] = row.seconds;
  const length = `${least} to ${most} seconds`;
  if (bytes > row.bytes) return [told(`has ${bytes} bytes`, `at most ${row.bytes} bytes`)];
  if (!film) return [told("is no film, or not all of one", "an MPEG-4 or QuickTime film")];
  const { seconds, size } = film;
  if (!size) return [told("shows no pictures", "a film with pictures")];
  if (seconds === undefined) return [told("does not say how long it is", length, "warning")];
  if (seconds < least || seconds > most) return [told(`is ${shownSeconds(seconds)} seconds long`, length)];
  const isKnown = row.sizes.some(([width, height]) => width === size.width && height === size.height);
  const sizes = row.sizes.map((each) => each.join(" × ")).join(" or ");
  return isKnown ? [] : [told(`is ${size.width} × ${size.height}`, sizes, "warning")];
}

/** To a hundredth: what is a frame too long is seen to be. */
const shownSeconds = (seconds: number): string => String(Math.round(seconds * 100) / 100);

function tooMany(store: StoreDefinition, row: PreviewRow, own: readonly Preview[], client: string): Problem[] {
  const languages = [...new Set(own.map(({ language }) => language))];
  return languages.flatMap((language) => {
    const count = own.filter((each) => each.language === language).length;
    if (count <= row.most) return [];
    const message = `${store.title} takes ${row.most} of "${row.title}": there are ${count} in ${language}.`;
    const fix = `Leave the best in ${captureFolder(row.device, language)}/.`;
    return [problem("preview-invalid", message, { client, about: ["previews", row.device], fix })];
  });
}

/** Films on devices whose pictures the store shows, and no films: nobody would ever see them. */
function untaken(store: StoreDefinition, { client, previews }: Judged): Problem[] {
  const devices = store.captures
    .map(({ device }) => device)
    .filter((device) => !store.previews.some((row) => row.device === device));
  return devices.flatMap((device) => {
    const [first] = previews.filter((each) => each.device === device);
    if (!first) return [];
    const message = `${store.title} gets no films from a client's folder: ${first.file} is shown to nobody.`;
    const takesAddress = store.record.some(({ field }) => field === "video");
    const fix = takesAddress
      ? "Give the address of a video instead: `store: { video: … }`."
      : "Hand it in on the store's own pages, or take it out.";
    return [problem("preview-invalid", message, { client, about: ["previews", device], severity: "warning", fix })];
  });
}
