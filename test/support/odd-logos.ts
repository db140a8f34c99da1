/** What a designer says of a logo: the grounds on which it may stand, as it is looked at in a list of apps. */
export interface OddLogo {
  key: string;
  svg: string;
  brand: string;
  /** `brand`: on the brand colour as it is. `other`: it is lost there, and has to stand on something else. */
  verdict: "brand" | "other";
}

/** Shapes as people have them: `a` is the colour of what is drawn, `b` that of what is on it. */
const shapes: Readonly<Record<string, (a: string, b: string) => string>> = {
  fish: (a, b) =>
    `<path d="M10 50Q40 15 75 50Q40 85 10 50ZM70 50L92 30L92 70Z" fill="${a}"/><circle cx="28" cy="45" r="5" fill="${b}"/>`,
  drop: (a, b) =>
    `<path d="M50 5C80 45 85 60 85 68A35 30 0 0 1 15 68C15 60 20 45 50 5Z" fill="${a}"/>` +
    `<path d="M30 65a22 22 0 0 0 25 22a28 28 0 0 1-25-22Z" fill="${b}"/>`,
  ring: (a) => `<circle cx="50" cy="50" r="38" fill="none" stroke="${a}" stroke-width="14"/>`,
  line: (a) =>
    `<g fill="none" stroke="${a}" stroke-width="3"><circle cx="50" cy="50" r="44"/><path d="M20 62Q50 15 80 62"/></g>`,
  waves: (a) =>
    [30, 50, 70].map((y) => `<path d="M8 ${y}q14-16 28 0t28 0t28 0v9q-14 16-28 0t-28 0t-28 0z" fill="${a}"/>`).join(""),
  house: (a, b) =>
    `<path d="M50 8L94 46H82V92H18V46H6Z" fill="${a}"/><rect x="42" y="62" width="16" height="30" fill="${b}"/>`,
  star: (a) => `<path d="M50 4L61 38H97L68 59L79 94L50 73L21 94L32 59L3 38H39Z" fill="${a}"/>`,
  letter: (a) => `<path d="M20 8H36V45L68 8H88L52 48L90 92H69L36 54V92H20Z" fill="${a}"/>`,
};

/** Shapes on a plate of their own. */
const onPlates: Readonly<Record<string, (plate: string, sign: string) => string>> = {
  disc: (plate, sign) =>
    `<circle cx="50" cy="50" r="49" fill="${plate}"/><g transform="translate(16 16) scale(.68)">${shapes.star?.(sign, sign)}</g>`,
  tile: (plate, sign) =>
    `<rect width="100" height="100" rx="18" fill="${plate}"/><g transform="translate(18 18) scale(.64)">${shapes.house?.(sign, plate)}</g>`,
};

const halves = (left: string, right: string) =>
  `<path d="M50 5A45 45 0 0 0 50 95Z" fill="${left}"/><path d="M50 5A45 45 0 0 1 50 95Z" fill="${right}"/>`;

const svg = (inner: string): string => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100">${inner}</svg>`;

const all = (
  name: string,
  from: Readonly<Record<string, (a: string, b: string) => string>>,
  [a, b, brand]: readonly [string, string, string],
  verdict: OddLogo["verdict"],
): OddLogo[] =>
  Object.entries(from).map(([shape, draw]) => ({ key: `${name}-${shape}`, svg: svg(draw(a, b)), brand, verdict }));

const one = (key: string, inner: string, brand: string, verdict: OddLogo["verdict"]): OddLogo => ({
  key,
  svg: svg(inner),
  brand,
  verdict,
});

/** Said by somebody who looked at each, before anything was drawn. */
export const oddLogos: readonly OddLogo[] = [
  ...all("white-on-blue", shapes, ["#ffffff", "#1565c0", "#1565c0"], "brand"),
  ...all("own-blue", shapes, ["#1565c0", "#ffffff", "#1565c0"], "other"),
  ...all("near-blue", shapes, ["#1a5fb4", "#f6f5f4", "#1565c0"], "other"),
  ...all("white-on-yellow", shapes, ["#ffffff", "#ffd23f", "#ffd23f"], "other"),
  ...all("yellow-on-white", shapes, ["#ffd23f", "#ffffff", "#ffffff"], "other"),
  ...all("black-on-green", shapes, ["#111111", "#43a047", "#43a047"], "brand"),
  ...all("grey-on-grey", shapes, ["#8a8a8a", "#9a9a9a", "#808080"], "other"),
  ...all("own-plate", onPlates, ["#1565c0", "#ffffff", "#1565c0"], "brand"),
  ...all("white-plate", onPlates, ["#ffffff", "#1565c0", "#1565c0"], "brand"),
  one("half-lost", halves("#e53935", "#1565c0"), "#1565c0", "other"),
  one("half-lost-on-red", halves("#e53935", "#1565c0"), "#e53935", "other"),
  one("outlined", `<g stroke="#ffffff" stroke-width="6">${shapes.star?.("#1565c0", "")}</g>`, "#1565c0", "brand"),
  one("white-on-white", shapes.fish?.("#ffffff", "#f0f0f0") ?? "", "#ffffff", "other"),
  one("black-on-black", shapes.letter?.("#0a0a0a", "") ?? "", "#000000", "other"),
];
