import fc from "fast-check";
import { expect, test } from "vitest";
import { readWorkspace } from "../../../../src/core/app/survey/workspace.ts";
import { noArtwork } from "../../../../src/core/app/variant/variant.ts";
import { type PolicyText, policyFor, policyPage } from "../../../../src/core/clients/record/policy.ts";
import { contentsOf } from "../../../support/html.ts";
import { workspaceWith } from "../../../support/oxalis.ts";
import { variantOf } from "../../../support/variant.ts";

/** Text with all that means something in HTML and in Markdown. */
const marks = fc.string({ unit: fc.constantFrom(..."<>&\"'/ab=!-[]()*_#`\n".split("")), maxLength: 40 });

test("whatever a name or a policy's text holds, the page has no element that Markdown does not make", () => {
  const made = new Set(
    "html meta title style p h1 h2 h3 h4 h5 h6 em strong code pre ul ol li blockquote hr br a del".split(" "),
  );
  fc.assert(
    fc.property(marks, marks, (name, markdown) => {
      const page = policyPage({ language: "en", markdown: `Policy of ${name}\n\n${markdown}` }, name);
      const { elements, title } = contentsOf(page);
      expect(elements.filter((element) => !made.has(element))).toEqual([]);
      expect(title.trim()).toBe(name.trim());
    }),
  );
});

test("what means something in Markdown is text in a name", () => {
  const folder = workspaceWith(["3-acre"]);
  const { agency, ...rest } = readWorkspace(folder);
  const policy = { at: "https://{domain}/privacy.html", text: { en: "# {app.name}\n\nWritten by {owner}." } };
  const workspace = { ...rest, agency: { ...agency, data: { ...agency.data, policy } } };
  fc.assert(
    fc.property(marks, (name) => {
      const shown = name.replace(/\s+/g, " ").trim();
      fc.pre(shown !== "");
      const variant = variantOf(noArtwork, {
        "app.name": shown,
        owner: `[${shown}](javascript:a)`,
        domain: "a.example",
      });
      const { texts, at, problems } = policyFor(workspace, variant);
      expect([at, problems]).toEqual(["https://a.example/privacy.html", []]);
      const { elements, text } = contentsOf(policyPage(texts[0] as PolicyText, shown));
      expect(elements.filter((each) => !["html", "meta", "title", "style"].includes(each))).toEqual(["h1", "p"]);
      expect(text.replace(/\s+/g, " ").trim()).toBe(`${shown} Written by [${shown}](javascript:a).`);
    }),
  );
});

test("a policy's headings and lists are the page's, in its language, and nothing runs", () => {
  const markdown = "# Datenschutz\n\n- Name\n- [Mail](mailto:a@b.example)\n\n<script>alert(1)</script>";
  const page = policyPage({ language: "de", markdown }, "Hof <Laden>");
  expect(page).toContain('<html lang="de">');
  expect(page).toContain("<h1>Datenschutz</h1>");
  expect(page).toContain("<li>Name</li>");
  expect(page).toContain("<title>Hof &lt;Laden&gt;</title>");
  expect(contentsOf(page).elements).not.toContain("script");
});

test.each([
  ["[a](javascript:alert(1))", "the link to javascript:alert(1)"],
  ["[a](JaVa&#x53;cript:alert(1))", "the link to "],
  ["[a](data:text/html;base64,PHA+)", "the link to data:"],
  ["[a][b]\n\n[b]: vbscript:x", "the link to vbscript:x"],
  ["<javascript:alert(1)>", "the link to javascript:"],
  ["![a](https://elsewhere.example/x.png)", "the picture https://elsewhere.example/x.png"],
])("a page gets no %s, and that is told", (markdown, told) => {
  const page = policyPage({ language: "en", markdown }, "Hill");
  expect(contentsOf(page).elements.filter((each) => /^(a|img)$/.test(each))).toEqual([]);
  const { agency, ...rest } = readWorkspace(workspaceWith(["3-acre"]));
  const data = { ...agency.data, policy: { at: "https://a.example/", text: { en: markdown } } };
  const { problems } = policyFor({ ...rest, agency: { ...agency, data } }, variantOf(noArtwork, {}));
  expect(problems.map(({ code, message }) => `${code} ${message}`)).toEqual([expect.stringContaining(told)]);
});

test("a page links to what opens a page, a letter or a telephone", () => {
  const to = ["https://a.example/b?c=d&e", "mailto:a@b.example", "tel:+4420", "imprint.html", "#data"];
  const page = policyPage({ language: "en", markdown: to.map((each) => `[x](${each})`).join(" ") }, "Hill");
  expect([...page.matchAll(/href="([^"]*)"/g)].map(([, href]) => href?.replaceAll("&amp;", "&"))).toEqual(to);
});
