import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { describe, expect, test } from "vitest";
import { rebuildVector } from "../../../../src/core/pictures/artwork/vector/rebuild.ts";
import { openChromium } from "../../../support/chromium.ts";
import { temporaryFolder } from "../../../support/oxalis.ts";
import { hasTool } from "../../../support/tools.ts";

const call = "fetch('https://act.example/ran')";
const out = "https://act.example/out";

/** Ways in which a picture acts when it is opened: runs something, goes somewhere, or asks for something. */
const scripts = [
  `<script>${call}</script>`,
  `<svg:script xmlns:svg="http://www.w3.org/2000/svg">${call}</svg:script>`,
  `<script href="${out}"/>`,
  `<script type="module">${call}</script>`,
  ...["onload", "onclick", "onmouseover", "onfocusin", "onbegin", "onerror", "ONLOAD"].map(
    (handler) => `<g ${handler}="${call}"><rect width="9" height="9"/></g>`,
  ),
  `<image href="x" onerror="${call}"/>`,
  `<handler type="application/ecmascript">${call}</handler>`,
  `<foreignObject width="9" height="9"><body xmlns="http://www.w3.org/1999/xhtml" onload="${call}"/></foreignObject>`,
  `<foreignObject><iframe xmlns="http://www.w3.org/1999/xhtml" src="${out}"/></foreignObject>`,
  `<h:script xmlns:h="http://www.w3.org/1999/xhtml">${call}</h:script>`,
  `<h:img xmlns:h="http://www.w3.org/1999/xhtml" src="${out}"/>`,
  `<h:iframe xmlns:h="http://www.w3.org/1999/xhtml" srcdoc="&lt;script&gt;${call}&lt;/script&gt;"/>`,
  `<h:video xmlns:h="http://www.w3.org/1999/xhtml" src="${out}" autoplay=""/>`,
  `<h:link xmlns:h="http://www.w3.org/1999/xhtml" rel="stylesheet" href="${out}"/>`,
  `<h:meta xmlns:h="http://www.w3.org/1999/xhtml" http-equiv="refresh" content="0;url=${out}"/>`,
  `<h:base xmlns:h="http://www.w3.org/1999/xhtml" href="https://act.example/"/><image href="x"/>`,
  `<h:object xmlns:h="http://www.w3.org/1999/xhtml" data="${out}"/>`,
  `<h:embed xmlns:h="http://www.w3.org/1999/xhtml" src="${out}"/>`,
];
const moves = [
  `<a href="${out}"><rect width="9" height="9"/></a>`,
  `<a xlink:href="${out}" target="_top"><rect width="9" height="9"/></a>`,
  `<a href="javascript:${call}"><rect width="9" height="9"/></a>`,
  `<a href="#x"><animate attributeName="href" values="javascript:${call}"/><rect width="9" height="9"/></a>`,
  `<animate attributeName="x" onbegin="${call}"/>`,
  `<set attributeName="onload" to="${call}"/>`,
  `<image><set attributeName="href" to="${out}"/></image>`,
];
const references = [
  `<image width="9" height="9" href="${out}"/>`,
  `<image width="9" height="9" xlink:href="${out}"/>`,
  `<image width="9" height="9" href="//act.example/out"/>`,
  `<image width="9" height="9" href="../secret.png"/>`,
  `<image width="9" height="9" href="data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' ` +
    `onload=&quot;${call}&quot;/%3E"/>`,
  `<image width="9" height="9" href=" &#x9;https://act.example/out"/>`,
  `<use href="${out}#x"/>`,
  `<use xlink:href="other.svg#x"/>`,
  `<use href="data:image/svg+xml;base64,PHN2Zy8+#x"/>`,
  `<filter id="f"><feImage href="${out}"/></filter><rect width="9" height="9" filter="url(#f)"/>`,
  `<linearGradient id="g" href="${out}#g"/><rect width="9" height="9" fill="url(#g)"/>`,
  `<text><textPath href="${out}#p">a</textPath></text>`,
  `<mask id="m"><image href="${out}" width="9" height="9"/></mask><rect width="9" height="9" mask="url(#m)"/>`,
];
const values = [
  `fill="url(${out}#g)"`,
  `fill="url(&quot;${out}#g&quot;)"`,
  `style="fill:url(${out}#g)"`,
  `style="mask-image:url(${out})"`,
  `style="background:url(${out})"`,
  `style="background-image:image-set(url(${out}) 1x)"`,
  `style="background-image:image-set('${out}' 1x)"`,
  `style="background-image:-webkit-image-set(url(${out}) 1x)"`,
  `style="fill:u\\72l(${out})"`,
  `style="fill:u\\000072 l(${out}#g)"`,
  `style="filter:url(${out}#f)"`,
  `style="cursor:url(${out}),auto"`,
  `style="clip-path:path('M0 0'),url(${out}#c)"`,
  `style="fill:red;}*{background:url(${out})"`,
  `filter="url('${out}#f')"`,
  `marker-end="url(${out}#m)"`,
  `cursor="url(${out})"`,
].map((attribute) => `<path d="M0 0h9v9z" ${attribute}/>`);
const sheets = [
  `@import "${out}";`,
  `@import url(${out});`,
  `@\\69mport "${out}";`,
  `@font-face{font-family:a;src:url(${out})} text{font-family:a}`,
  `rect{background:url(${out})}`,
  `rect{background-image:image-set("${out}" 1x)}`,
  `rect{fill:u\\72l(${out})}`,
  `@media all{rect{mask-image:url(${out})}}`,
  `rect{color:red;/**/background:/**/url(/**/${out})}`,
  `:root{--a:url(${out})} rect{background:var(--a)}`,
  `rect::before{content:url(${out})}`,
].map((style) => `<style>${style.replace(/</g, "&lt;")}</style><rect width="9" height="9"/><text>a</text>`);

const hostile = [...scripts, ...moves, ...references, ...values, ...sheets];

describe.runIf(hasTool("chromium"))("in Chromium", () => {
  test(`none of ${hostile.length} pictures that act does so any more`, async () => {
    const folder = temporaryFolder();
    const browser = await openChromium();
    const page = await browser.newPage();
    const asked: string[] = [];
    let opened = "";
    await page.route("**/*", (route) => {
      const url = route.request().url();
      if (url === opened) return route.continue();
      if (!url.startsWith("data:")) asked.push(`${opened} asked for ${url}`);
      return route.abort();
    });
    for (const [at, inner] of hostile.entries()) {
      const text =
        `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 9 ` +
        `9" onload="${call}">${inner}</svg>`;
      const made = rebuildVector(text, (name) => name !== "viewBox");
      const file = join(folder, `${at}.svg`);
      writeFileSync(
        file,
        `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9" width="90" ` +
          `height="90"${made.rootAttributes}>${made.inner}</svg>`,
      );
      opened = pathToFileURL(file).href;
      await page.goto(opened);
      await page.mouse.click(45, 45);
      expect(page.url(), inner).toBe(opened);
      expect(await page.evaluate(() => document.querySelector("parsererror")?.textContent)).toBeUndefined();
    }
    await browser.close();
    expect(asked).toEqual([]);
  }, 120_000);
});

test("what only draws is left as it is", () => {
  const inner =
    `<defs><style>.a{fill:url(#g);stroke-width:2}</style><linearGradient id="g"><stop offset="0" ` +
    `stop-color="#fff"/></linearGradient></defs><g class="a" transform="translate(1 2)" ` +
    `style="opacity:.5"><use href="#p"/><path id="p" d="M0 0h9v9z"/><text x="1" y="2">Fish &amp; ` +
    "<tspan>chips</tspan></text></g>";
  const text = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9" fill="none">${inner}</svg>`;
  expect(rebuildVector(text, (name) => name !== "viewBox")).toEqual({
    rootAttributes: ' fill="none"',
    inner,
  });
});
