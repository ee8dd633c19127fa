/** The sheet of pictures by which drawn hair is judged: kinds of hair, shapes and two sides, in an order that tells nothing. */
import { expect } from "@playwright/test";
import type { Figure, Lock } from "../src/api";
import { test } from "../e2e/server";
import { sortBy } from "lodash-es";
import { createHash } from "node:crypto";
import { fileURLToPath } from "node:url";
import { build } from "vite";
import { KINDS, request, SHAPES, VIEWS } from "./sheet/cells";
import type { Cell } from "./sheet/page";

/** Scripts and styles of a page of its own. */
async function bundled(): Promise<{ code: string; css: string }> {
  const input = fileURLToPath(new URL("sheet/page.ts", import.meta.url));
  const built = await build({ logLevel: "error", build: { write: false, rollupOptions: { input }, minify: false } });
  const parts = [built].flat().flatMap((one) => ("output" in one ? one.output : []));
  const code = parts.flatMap((part) => (part.type === "chunk" && part.isEntry ? [part.code] : [])).join("");
  const css = parts.flatMap((part) =>
    part.type === "asset" && part.fileName.endsWith(".css") ? [String(part.source)] : [],
  );
  return { code, css: css.join("") };
}

test("kinds of hair and shapes", async ({ wren: page }) => {
  const cells: (Cell & { name: string })[] = [];
  for (const [kind, hair] of Object.entries(KINDS))
    for (const [shape, moves] of Object.entries(SHAPES)) {
      const on = request(hair, moves);
      const ask = async <T>(path: string, data: unknown) => {
        const answer = await page.request.post(`/api/compute/${path}`, { data });
        expect(answer.ok(), await answer.text()).toBe(true);
        return (await answer.json()) as T;
      };
      const { zones, measures } = on.reading;
      const figure = await ask<Figure>("figure", { reading: { zones, measures } });
      const locks = await ask<Lock[]>("locks", { on, state: "after", count: 900 });
      for (const view of VIEWS)
        cells.push({ name: `${kind}, ${shape}, ${view}`, figure, locks, zones: zones ?? {}, view });
    }
  // An order that is the same each time and that nobody knows by heart: which is which is not to be seen from where it stands.
  const order = sortBy(cells, ({ name }) => createHash("sha256").update(name).digest("hex"));
  const { code, css } = await bundled();
  await page.goto("about:blank");
  await page.setViewportSize({ width: 1920, height: 1060 });
  await page.addStyleTag({ content: css });
  await page.addScriptTag({ content: code, type: "module" });
  await page.waitForFunction(() => "show" in window);
  // As text: a page takes long to be handed so many objects.
  await page.evaluate((text) => window.show(JSON.parse(text), 8, [-240, -250, 480, 520]), JSON.stringify(order));
  await expect(page.locator("[data-painted]")).toHaveCount(order.length);
  await page.screenshot({ path: process.env.SHEET ?? "../docs/screenshots/hair-sheet.png" });
});
