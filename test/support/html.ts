import { type DefaultTreeAdapterTypes, parse } from "parse5";

/** The elements of a page, but for those that every page has, and its title and text as a browser reads them. */
export function contentsOf(page: string): { elements: string[]; title: string; text: string } {
  const elements: string[] = [];
  let [title, text] = ["", ""];
  const walk = (node: DefaultTreeAdapterTypes.Node, within: string): void => {
    if ("value" in node) {
      if (within === "title") title += node.value;
      else if (within !== "style") text += node.value;
    }
    if ("tagName" in node && !["head", "body"].includes(node.tagName)) elements.push(node.tagName);
    if ("childNodes" in node)
      for (const child of node.childNodes) walk(child, "tagName" in node ? node.tagName : within);
  };
  walk(parse(page), "");
  return { elements, title, text };
}
