import { SaxesParser } from "saxes";
import { attributes, drawnElements, isPlainValue, lettered, properties, wrappers } from "./allowed.ts";

/** An SVG's own attributes, and what stands inside it, of nothing but what is drawn. */
export interface Rebuilt {
  /** In front of each a blank. */
  rootAttributes: string;
  inner: string;
}

const escapeText = (text: string): string =>
  text.replace(/&/g, "&amp;").replace(/</g, "&lt;").replace(/>/g, "&gt;").replace(/"/g, "&quot;");

/** What a property says instead of its value. */
type Restyle = (property: string, value: string) => string;

/** Puts an SVG together anew from the elements, attributes and styles that only draw; all else is left behind. */
export function rebuildVector(
  text: string,
  ofRoot: (name: string) => boolean,
  restyle: Restyle = (_, value) => value,
): Rebuilt {
  const parser = new SaxesParser({ xmlns: false });
  const out: string[] = [];
  /** Of each open element, what closes it, and whether its text is drawn. */
  const open: { closes: string; isLettered: boolean }[] = [];
  const enter = (closes: string, local: string) => void open.push({ closes, isLettered: lettered.has(local) });
  let depthLeftOut = 0;
  let rootAttributes = "";
  let style: string | undefined;

  parser.on("opentag", ({ name, attributes: given, isSelfClosing }) => {
    const local = name.replace(/^svg:/, "");
    if (depthLeftOut > 0 || !(drawnElements.has(local) || wrappers.has(local))) {
      depthLeftOut++;
      return;
    }
    if (open.length === 0) {
      rootAttributes = attributesOf(local, given, ofRoot, restyle);
      enter("", local);
    } else if (wrappers.has(local)) {
      out.push("<g>");
      enter("</g>", local);
    } else if (local === "style") {
      style = "";
      enter("", local);
    } else {
      out.push(`<${local}${attributesOf(local, given, () => true, restyle)}${isSelfClosing ? "/" : ""}>`);
      enter(isSelfClosing ? "" : `</${local}>`, local);
    }
  });
  parser.on("closetag", () => {
    if (depthLeftOut > 0) {
      depthLeftOut--;
      return;
    }
    if (style !== undefined) {
      const rules = plainRules(style, restyle);
      if (rules) out.push(`<style>${escapeText(rules)}</style>`);
      style = undefined;
    }
    out.push(open.pop()?.closes ?? "");
  });
  const onText = (content: string) => {
    if (depthLeftOut > 0) return;
    if (style !== undefined) style += content;
    else if (open.at(-1)?.isLettered) out.push(escapeText(content));
  };
  parser.on("text", onText);
  parser.on("cdata", onText);
  parser.write(text).close();
  return { rootAttributes, inner: out.join("") };
}

function attributesOf(
  element: string,
  given: Readonly<Record<string, string>>,
  wanted: (name: string) => boolean,
  restyle: Restyle,
): string {
  return Object.entries(given)
    .flatMap(([name, value]): [string, string][] => {
      if (!wanted(name)) return [];
      if (name === "style") {
        const kept = plainDeclarations(value, restyle);
        return kept ? [["style", kept]] : [];
      }
      if (name === "href" || name === "xlink:href") {
        // One of the two is enough, and the newer one needs no namespace.
        if (name === "xlink:href" && given.href !== undefined) return [];
        return isOwnReference(element, value) ? [["href", value.trim()]] : [];
      }
      if (name === "d" || name === "points") return /^[\s\w.,+-]*$/.test(value) ? [[name, value]] : [];
      if (!isPlainValue(value)) return [];
      if (properties.has(name)) return [[name, restyle(name, value)]];
      return attributes.has(name) ? [[name, value]] : [];
    })
    .map(([name, value]) => ` ${name}="${escapeText(value)}"`)
    .join("");
}

/** A part of the same picture, or a bitmap that is in it. */
const isOwnReference = (element: string, value: string): boolean =>
  /^\s*#[\w:.-]+\s*$/.test(value) ||
  (/^(image|feImage)$/.test(element) && /^\s*data:image\/(png|jpeg|webp|gif);base64,[A-Za-z0-9+/=\s]*$/i.test(value));

/** Declarations that only draw. */
const plainDeclarations = (text: string, restyle: Restyle): string =>
  text
    .replace(/\/\*[\s\S]*?\*\//g, " ")
    .split(";")
    .flatMap((declaration) => {
      const [name = "", ...rest] = declaration.split(":");
      const value = rest.join(":").trim();
      const key = name.trim().toLowerCase();
      return properties.has(key) && value !== "" && isPlainValue(value) ? [`${key}:${restyle(key, value)}`] : [];
    })
    .join(";");

/** Rules of a style sheet that only draw: plain selectors, no rule with an at-sign, nothing nested. */
function plainRules(text: string, restyle: Restyle): string {
  const plain = text.replace(/\/\*[\s\S]*?\*\//g, " ").replace(/<!--|-->/g, " ");
  if (/[@\\]/.test(plain.replace(/@(charset|namespace)[^;{}]*;/gi, ""))) return withoutAtRules(plain, restyle);
  return rulesIn(plain, restyle);
}

const rulesIn = (text: string, restyle: Restyle): string =>
  [...text.matchAll(/([^{}]*)\{([^{}]*)\}/g)]
    .flatMap(([, selector = "", declarations = ""]) => {
      const name = selector.replace(/@[^;]*;/g, "").trim();
      const kept = plainDeclarations(declarations, restyle);
      return /^[\w\s.#,>+~*-]+$/.test(name) && kept ? [`${name}{${kept}}`] : [];
    })
    .join("");

/** Style sheets with escapes are dropped; of those with at-rules, the at-rules. */
const withoutAtRules = (text: string, restyle: Restyle): string =>
  text.includes("\\") ? "" : rulesIn(text.replace(/@[^{};]*(?:;|\{(?:[^{}]|\{[^{}]*\})*\})/g, " "), restyle);
