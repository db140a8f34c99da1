/** Forms of bitmaps that are taken, by their first bytes; only these go to the library that decodes them. */
const taken: readonly string[][] = [["\u0089PNG\r\n\u001a\n"], ["\u00ff\u00d8\u00ff"], ["RIFF", "WEBP"]];

/** Forms that are not taken; nobody looks further into them. */
const foreign: readonly { name: string; starts: string; at?: number }[] = [
  { name: "a gif picture", starts: "GIF8" },
  { name: "a tiff picture", starts: "II*\u0000" },
  { name: "a tiff picture", starts: "MM\u0000*" },
  { name: "a bmp picture", starts: "BM" },
  { name: "a heif picture", starts: "ftyp", at: 4 },
  { name: "a PDF", starts: "%PDF" },
  { name: "a PostScript picture (EPS)", starts: "%!PS" },
  { name: "a PostScript picture (EPS)", starts: "\u00c5\u00d0\u00d3\u00c6" },
  { name: "an image editor's own file (PSD)", starts: "8BPS" },
  { name: "a packed SVG", starts: "\u001f\u008b" },
];

const head = (bytes: Uint8Array): string => Buffer.from(bytes.subarray(0, 16)).toString("latin1");

export const isBitmap = (bytes: Uint8Array): boolean => {
  const start = head(bytes);
  return taken.some(([first = "", second]) => start.startsWith(first) && (!second || start.startsWith(second, 8)));
};

/** What a file is that is none of the pictures that are taken, where its first bytes tell. */
export const foreignForm = (bytes: Uint8Array): string | undefined =>
  foreign.find(({ starts, at = 0 }) => head(bytes).startsWith(starts, at))?.name;
