/** On a phone nothing is wider than the screen and the stages are one line; and no page writes an error to the console. */
import { enter, expect, openVisit, test } from "./server";
import { allViews, everyPart, open } from "./views";

test("nothing is wider than a phone, and nothing goes wrong behind the page", async ({ page }) => {
  const errors: string[] = [];
  page.on("console", (message) => {
    if (message.type() === "error") errors.push(`${page.url()}: ${message.text()}`);
  });
  page.on("pageerror", (error) => errors.push(`${page.url()}: ${error.message}`));
  await enter(page);
  const views = await allViews(page);
  await page.setViewportSize({ width: 390, height: 844 });
  const wide: string[] = [];
  for (const { name, path } of views) {
    await open(page, path);
    await everyPart(page, async (part) => {
      const width = await page.evaluate(() => document.documentElement.scrollWidth);
      if (width > 390) {
        const beyond = await page.evaluate(() =>
          [...document.querySelectorAll("main *")]
            .filter((element) => element.getBoundingClientRect().right > 391)
            .slice(0, 3)
            .map((element) => `${element.tagName}.${element.className}`),
        );
        wide.push(`${name} ${part}: ${width} (${beyond.join(", ")})`);
      }
    });
    const stages = page.locator(".ribbon a");
    if ((await stages.count()) > 0) {
      const tops = await stages.evaluateAll((all) => all.map((one) => Math.round(one.getBoundingClientRect().top)));
      expect(new Set(tops).size, `${name}: stages on one line`).toBe(1);
    }
  }
  expect(wide).toEqual([]);
  // A dialog is no wider either: what is clipped by its layer doesn't widen the page.
  await page.keyboard.press("?");
  const dialog = page.getByRole("dialog");
  await expect(dialog).toBeVisible();
  const box = await page.locator(".el-dialog:visible").boundingBox();
  expect(box!.x >= 0 && box!.x + box!.width <= 390, JSON.stringify(box)).toBe(true);
  // An address that leads nowhere and a visit that isn't there are answered by the page, not by an error of it.
  expect(errors).toEqual([]);
});

test("on a phone the zone in hand comes first, and the others are a line beside it", async ({ wren }) => {
  await wren.setViewportSize({ width: 390, height: 844 });
  await openVisit(wren, "Amara Fenn", "Mark");
  const card = (zone: string) => wren.getByRole("region", { name: `${zone}: cut here` });
  await expect(card("Fringe")).toBeInViewport({ ratio: 1 });
  const last = wren.getByRole("navigation", { name: "Zones" }).getByRole("link", { name: /^Right side/ });
  await expect(last).not.toBeInViewport();
  await wren.keyboard.press("[");
  await expect(card("Right side")).toBeInViewport({ ratio: 1 });
  await expect(last).toBeInViewport({ ratio: 0.9 });

  await openVisit(wren, "Amara Fenn", "Read");
  const [form, map] = [
    wren.getByLabel("Stretched", { exact: true }),
    wren.getByRole("figure", { name: "client's left" }),
  ];
  await expect(form).toBeInViewport({ ratio: 1 });
  await expect(map).not.toBeInViewport();
});
