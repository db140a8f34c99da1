import { type ParserPlugin, parse } from "@babel/parser";
import { parsedOnce } from "../../../ground/files/reading/parsed-once.ts";
import { refuse } from "../../../ground/problems/result.ts";
import { placeAt, type Source } from "../../../ground/values/source.ts";
import type { Form } from "../forms.ts";
import type { Site } from "../site.ts";

/** A literal text within configuration or a page written as code, and the names that lead to it. */
export interface CodeText {
  /** Names of what it stands in, outermost first: variables and calls, then keys and positions. */
  path: readonly string[];
  site: Site;
}

/** An object literal, and where a further member can be put into it. */
export interface CodeObject {
  path: readonly string[];
  /** Offset behind its opening brace. */
  inside: number;
  /** Names of its members. */
  members: readonly string[];
}

interface CodeParts {
  texts: readonly CodeText[];
  objects: readonly CodeObject[];
}

interface AstNode {
  type: string;
  start: number;
  end: number;
  [key: string]: unknown;
}

/** Whether a file is code that is read here, by its ending. */
export const isCode = (file: string): boolean => /\.([cm]?[jt]s|[jt]sx)$/.test(file);

const plugins = (file: string): ParserPlugin[] => [
  ...(/\.[cm]?tsx?$/.test(file) ? (["typescript"] as const) : []),
  ...(/\.([cm]?js|[jt]sx)$/.test(file) ? (["jsx"] as const) : []),
  "decorators-legacy",
];

/** Every literal text and every object of a file of JavaScript or TypeScript. Stops: template-syntax. */
export const codeParts = parsedOnce((source: Source): CodeParts => {
  const texts: CodeText[] = [];
  const objects: CodeObject[] = [];
  const root = parseCode(source);
  const visit = (node: AstNode, path: readonly string[], within?: AstNode): void => {
    const form = literalForm(node, source.text, within?.type === "JSXAttribute");
    if (form) {
      const { start, end } = form.range ?? node;
      texts.push({ path, site: { file: source.file, start, end, value: form.value, form: form.form } });
      return;
    }
    if (node.type === "ObjectExpression") {
      const members = nodes(node.properties).flatMap((each) => memberName(each) ?? []);
      objects.push({ path, inside: node.start + 1, members });
    }
    const name = nameOf(node);
    const below = name === undefined ? path : [...path, name];
    if (node.type === "ArrayExpression") {
      for (const [at, each] of nodes(node.elements).entries()) visit(each, [...path, String(at)]);
      return;
    }
    for (const [key, value] of Object.entries(node)) {
      // What a text is called is no text; nor are types.
      if (key === "key" || key === "callee" || /^(typeAnnotation|typeParameters|typeArguments|loc|source)$/.test(key))
        continue;
      for (const child of nodes(value)) visit(child, below, node);
    }
  };
  visit(root, []);
  return { texts, objects };
});

function parseCode(source: Source): AstNode {
  try {
    return parse(source.text, {
      sourceType: "unambiguous",
      allowReturnOutsideFunction: true,
      plugins: plugins(source.file),
    }).program as unknown as AstNode;
  } catch (error) {
    const { pos = 0, message } = error as { pos?: number; message: string };
    refuse("template-syntax", `${source.file} cannot be read as code: ${message.replace(/ \(\d+:\d+\)$/, "")}`, {
      place: placeAt(source, pos),
    });
  }
}

/** A token of a program, as the parser has it. */
interface Token {
  type: { label: string } | string;
  value?: unknown;
}

/** Code by its tokens, and the texts among them as they are read; stops where it is no code. */
export function codeShape({ file, text }: Source): { shape: string; values: readonly string[] } {
  const { tokens = [] } = parse(text, {
    ...{ sourceType: "unambiguous", allowReturnOutsideFunction: true, plugins: plugins(file), tokens: true },
  } as const);
  const values: string[] = [];
  const shape = (tokens as Token[]).map(({ type, value }) => {
    const label = typeof type === "string" ? type : type.label;
    // Comments say nothing to whoever runs it.
    if (/^Comment/.test(label)) return "//";
    if (!/^(string|template|jsxText|`)/.test(label)) return `${label} ${String(value ?? "")}`;
    values.push(asRead(value));
    return label;
  });
  return { shape: shape.join("\n"), values };
}

/** What a text's token says: of a template, as it is read and not as it is written. */
const asRead = (value: unknown): string =>
  typeof value === "object" && value !== null && "cooked" in value ? String(value.cooked) : String(value ?? "");

const isNode = (value: unknown): value is AstNode =>
  typeof value === "object" && value !== null && typeof (value as AstNode).type === "string";

const nodes = (value: unknown): AstNode[] =>
  Array.isArray(value) ? value.filter(isNode) : isNode(value) ? [value] : [];

/** What a node is called by whoever reads the code: a variable, a call, a member, an element of a page. */
function nameOf(node: AstNode): string | undefined {
  switch (node.type) {
    case "VariableDeclarator":
      return identifier(node.id);
    case "CallExpression":
    case "NewExpression":
      return identifier(node.callee);
    case "FunctionDeclaration":
      return identifier(node.id);
    case "ObjectProperty":
    case "ObjectMethod":
    case "ClassProperty":
    case "ClassMethod":
      return memberName(node);
    case "JSXElement":
      return identifier((node.openingElement as AstNode | undefined)?.name);
    case "JSXAttribute":
      return identifier(node.name);
    case "ExportDefaultDeclaration":
      return "default";
    case "AssignmentExpression":
      return identifier(node.left);
    default:
      return undefined;
  }
}

function memberName(node: AstNode): string | undefined {
  if (node.computed === true) return undefined;
  return identifier(node.key);
}

function identifier(node: unknown): string | undefined {
  if (!isNode(node)) return undefined;
  if (node.type === "Identifier" || node.type === "JSXIdentifier") return String(node.name);
  if (node.type === "StringLiteral") return String(node.value);
  if (node.type === "MemberExpression") return identifier(node.property);
  return undefined;
}

interface Literal {
  value: string;
  form: Form;
  /** Where it is not the whole node. */
  range?: { start: number; end: number };
}

/** A node that is a text and nothing else. */
function literalForm(node: AstNode, text: string, inAttribute: boolean): Literal | undefined {
  if (node.type === "JSXText") {
    const value = String(node.value);
    const trimmed = value.trim();
    if (trimmed === "" || text.slice(node.start, node.end) !== value) return undefined;
    const start = node.start + value.indexOf(trimmed);
    return { value: trimmed, form: "html-text", range: { start, end: start + trimmed.length } };
  }
  if (node.type === "StringLiteral") {
    const inside = { start: node.start + 1, end: node.end - 1 };
    if (inAttribute) return { value: String(node.value), form: "html-attribute", range: inside };
    return { value: String(node.value), form: text[node.start] === "'" ? "code-single" : "code-double" };
  }
  if (node.type === "TemplateLiteral" && nodes(node.expressions).length === 0) {
    const [only] = nodes(node.quasis);
    const cooked = (only?.value as { cooked?: string } | undefined)?.cooked;
    return cooked === undefined ? undefined : { value: cooked, form: "code-template" };
  }
  return undefined;
}
