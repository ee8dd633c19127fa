/** Every view in a made-up language whose texts are longer by a third and in brackets: what isn't in brackets isn't translated. */
import { enter, expect, get, test } from "./server";
import { allViews, everyPart, open } from "./views";
import type { Page } from "@playwright/test";

test.use({ locale: "en-XA" });

/** What people wrote and what has no language: names, notes, addresses; units and signs. */
async function ownWords(page: Page): Promise<string[]> {
  const texts = new Set([
    ...["Spirel", "Saltmarsh Row", "×", "cm", "in", "mm", "g", "µm", "kg", "PNG", "SVG", "JSON", "CSV"],
    // What is searched for, colleagues, and the instruments' own names.
    ...[
      "nobody-of-this-name",
      "Ivo Tarrant",
      "Odile Marsh",
      "Bram Sedge",
      "Comb 1",
      "Gauge 1",
      "Scope 1",
      "Meter 1",
      "Room",
    ],
  ]);
  const keep = (value: unknown) => {
    if (typeof value === "string") texts.add(value);
    else if (value && typeof value === "object") Object.values(value).forEach(keep);
  };
  for (const path of ["/api/session", "/api/clients", "/api/clients?search=Amara"]) {
    keep(await get(page, path));
  }
  texts.add("amara@example.test");
  type Listed = { cut: { name: string; purpose: string; moves: { name?: string }[] } };
  for (const { cut } of await get<Listed[]>(page, "/api/cuts")) {
    keep([cut.name, cut.purpose, cut.moves.map(({ name }) => name)]);
  }
  type Advice = { condition: string; advice: string; because: string };
  for (const { condition, advice, because } of (await get<{ rules: Advice[] }>(page, "/api/methods")).rules) {
    keep([condition, advice, because]);
  }
  return [...texts].filter((text) => text.length > 0).sort((a, b) => b.length - a.length);
}

/** Texts that can be seen, and those that don't fit where they stand. */
function seen(page: Page) {
  return page.evaluate(() => {
    const texts: string[] = [];
    const cut: string[] = [];
    const visible = (element: Element) => {
      const box = element.getBoundingClientRect();
      const style = getComputedStyle(element);
      return (
        box.width > 1 &&
        box.height > 1 &&
        style.visibility !== "hidden" &&
        style.display !== "none" &&
        style.opacity !== "0"
      );
    };
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const element = node.parentElement!;
      const text = node.textContent!.trim();
      if (!text || element.closest("script, style, noscript, .visually-hidden, option")) continue;
      if (!visible(element)) continue;
      texts.push(text);
      const style = getComputedStyle(element);
      if (style.overflowX !== "visible" && element.scrollWidth > element.clientWidth + 1 && !element.closest("[title]"))
        cut.push(text);
    }
    for (const field of document.querySelectorAll<HTMLInputElement>("input[placeholder], textarea[placeholder]")) {
      if (visible(field) && field.placeholder) texts.push(field.placeholder);
    }
    const wide = document.documentElement.scrollWidth > document.documentElement.clientWidth + 1;
    return { texts, cut, wide };
  });
}

test("no text of any view stays outside the catalogue, and none is cut off when it is longer", async ({ page }) => {
  await enter(page);
  const own = await ownWords(page);
  const found: string[] = [];
  for (const { name, path } of await allViews(page)) {
    await open(page, path);
    await everyPart(page, async (part) => {
      const { texts, cut, wide } = await seen(page);
      for (const text of texts) {
        let rest = text.replace(/⟦[^⟦⟧]*⟧/g, " ").replace(/⟦[^⟦⟧]*⟧/g, " ");
        for (const word of own) rest = rest.replaceAll(word, " ");
        // Months of dates come from the platform, by the same locale.
        rest = rest.replace(/\b(Jan|Feb|Mar|Apr|May|June?|July?|Aug|Sept?|Oct|Nov|Dec)\b/g, " ");
        if (/\p{L}{2,}/u.test(rest)) found.push(`${name} ${part}: ${text.slice(0, 120)}`);
      }
      for (const text of cut) found.push(`${name} ${part}, cut off: ${text.slice(0, 120)}`);
      if (wide) found.push(`${name} ${part}: wider than the screen`);
    });
  }
  expect([...new Set(found)]).toEqual([]);
});
