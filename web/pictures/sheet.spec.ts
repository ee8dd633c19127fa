/** The sheet of pictures by which drawn hair is judged: kinds of hair, shapes and two sides, in an order that tells nothing. */
import { expect } from "@playwright/test";
import type { Figure } from "../src/api";
import { test } from "../e2e/server";
import { sortBy } from "lodash-es";
import { createHash } from "node:crypto";
import { extname } from "node:path";
import { fileURLToPath } from "node:url";
import { build } from "vite";
import { KINDS, request, SHAPES, VIEWS } from "./sheet/cells";
import type { Cell } from "./sheet/page";

/** Where the page seems to be: nothing is fetched from there, as its files are at hand. */
const SITE = "http://sheet.invalid/";
const TYPES: Record<string, string> = { ".js": "text/javascript", ".css": "text/css", "": "text/html" };

/** The files of a page of its own, by name: it is built as the product is. */
async function built(): Promise<Map<string, string>> {
  const input = fileURLToPath(new URL("sheet/page.ts", import.meta.url));
  const made = await build({ logLevel: "error", build: { write: false, rollupOptions: { input }, minify: false } });
  const parts = [made].flat().flatMap((one) => ("output" in one ? one.output : []));
  const files = new Map(
    parts.map((part) => [part.fileName, part.type === "chunk" ? part.code : String(part.source)] as const),
  );
  const entry = parts.find((part) => part.type === "chunk" && part.isEntry)?.fileName;
  const styles = [...files.keys()].find((name) => name.endsWith(".css"));
  const head = `<link rel="stylesheet" href="/${styles}"><script type="module" src="/${entry}"></script>`;
  return files.set("", `<!doctype html><head>${head}</head><body></body>`);
}

test("kinds of hair and shapes", async ({ wren: page }) => {
  const cells: (Cell & { name: string })[] = [];
  for (const [kind, hair] of Object.entries(KINDS))
    for (const [shape, moves] of Object.entries(SHAPES)) {
      const on = request(hair, moves(hair));
      const ask = async (path: string, data: unknown) => {
        const answer = await page.request.post(`/api/compute/${path}`, { data });
        expect(answer.ok(), await answer.text()).toBe(true);
        return answer;
      };
      const { zones, measures } = on.reading;
      const figure = (await (await ask("figure", { reading: { zones, measures } })).json()) as Figure;
      const locks = await (await ask("locks", { on, state: "after", count: 900 })).text();
      for (const view of VIEWS)
        cells.push({ name: `${kind}, ${shape}, ${view}`, figure, locks, zones: zones ?? {}, view });
    }
  // An order that is the same each time and that nobody knows by heart: which is which is not to be seen from where it stands.
  const order = sortBy(cells, ({ name }) => createHash("sha256").update(name).digest("hex"));
  const files = await built();
  await page.route(`${SITE}**`, (route) => {
    const name = new URL(route.request().url()).pathname.slice(1);
    const body = files.get(name);
    return body === undefined
      ? route.fulfill({ status: 404 })
      : route.fulfill({ body, contentType: TYPES[extname(name)] });
  });
  await page.setViewportSize({ width: 1920, height: 1060 });
  await page.goto(SITE);
  await page.waitForFunction(() => "show" in window);
  // As text: a page takes long to be handed so many objects.
  await page.evaluate((text) => window.show(JSON.parse(text), 8, [-240, -250, 480, 520]), JSON.stringify(order));
  await expect(page.locator("[data-painted]")).toHaveCount(order.length);
  // What was pale while it waited has its colour by now.
  await page.waitForTimeout(500);
  await page.screenshot({ path: process.env.SHEET ?? "../docs/screenshots/hair-sheet.png" });
});
