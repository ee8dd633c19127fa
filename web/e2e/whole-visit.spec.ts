import { readFile } from "node:fs/promises";
import { choose, SAVED, expect, saveState, signIn, test, pick } from "./server";

/** Stretched and sprung, cm, and the key of the width, in walking order. */
const MEASURED = [
  ["24", "13", "m"],
  ["30", "15", "m"],
  ["31.5", "15.2", "m"],
  ["28", "13.5", "f"],
  ["30", "14", "m"],
  ["27", "12.5", "c"],
  ["22", "10", "c"],
  ["28.2", "13.9", "f"],
] as const;

test("a whole visit: new client, eight zones by keyboard, aim, mark, print, export, import", async ({ page }) => {
  await signIn(page, "ivo@saltmarsh.example");

  await page.getByRole("button", { name: "New client" }).click();
  const dialog = page.getByRole("dialog", { name: "New client" });
  await dialog.getByLabel("Name").fill("Zélie Ørn 🌊");
  await dialog.getByRole("button", { name: "Add" }).click();
  await expect(dialog.getByText("Nothing is kept without it.")).toBeVisible();
  await dialog.getByText("The client agrees").click();
  await dialog.getByRole("button", { name: "Add" }).click();
  await expect(page.getByRole("heading", { name: "Zélie Ørn 🌊" })).toBeVisible();
  const client = page.url();

  await page.getByRole("button", { name: "Begin a visit today" }).click();
  await page.locator("label", { hasText: "too heavy" }).click();
  await page.getByLabel("Notes").fill("Wants it to clear the collar.");
  await expect(saveState(page)).toHaveText(SAVED);

  // From here to the last zone the mouse stays where it is.
  const read = page.getByRole("navigation", { name: "Stages of the visit" }).getByRole("link", { name: /^Read/ });
  await read.focus();
  await page.keyboard.press("Enter");
  await page.getByLabel("Stretched", { exact: true }).focus();
  for (const [stretched, sprung, width] of MEASURED) {
    await page.keyboard.type(stretched);
    await page.keyboard.press("Enter");
    await page.keyboard.type(sprung);
    const percent = Math.round(100 * (1 - Number(sprung) / Number(stretched)));
    await expect(page.locator(".shrinkage b")).toHaveText(`${percent} %`);
    await page.keyboard.press("Enter");
    await page.keyboard.press(width);
    await page.keyboard.press("Enter");
  }
  await expect(page.locator("tbody tr")).toHaveCount(8);
  for (const [i, [stretched, sprung]] of MEASURED.entries()) {
    const cells = page.locator("tbody tr").nth(i).locator("td");
    await expect(cells.nth(0)).toHaveText(Number(stretched).toFixed(1));
    await expect(cells.nth(1)).toHaveText(Number(sprung).toFixed(1));
  }
  await expect(saveState(page)).toHaveText(SAVED);
  await expect(read).toContainText("8 of 8 zones");

  await page.getByRole("link", { name: "On to the aim" }).click();
  // Exactly, or the zones of the reading before it match while that view is still there.
  await page.getByRole("button", { name: "Left side", exact: true }).click();
  await choose(page.getByLabel("Ends at", { exact: true }), "lip");
  await choose(page.getByLabel("Shortest accepted"), "cheekbone");
  const slider = page.getByRole("slider", { name: "Nape: ends at" });
  await slider.focus();
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("PageUp");
  await expect(slider).not.toHaveAttribute("aria-valuetext", "no wish");
  await expect(page.getByRole("slider", { name: "Right side: ends at" })).toHaveAttribute("aria-valuetext", "lip");
  await expect(saveState(page)).toHaveText(SAVED);

  await page.getByRole("link", { name: "On to the plan" }).click();
  await expect(page.getByRole("region", { name: "Ways to this wish" }).getByRole("article").first()).toBeVisible();
  await page.getByRole("link", { name: /^Mark/ }).click();
  await page.getByRole("link", { name: /^Left side/ }).click();
  const advised = page.getByRole("region", { name: /^Left side: cut here/ });
  const beside = page.getByRole("region", { name: /^Compare/ });
  const number = (text: string | null) => Number.parseFloat(text ?? "");
  const wet = number(await advised.getByTestId("mark").textContent());
  expect(wet).toBeGreaterThan(9);
  expect((wet * 2) % 1).toBe(0);
  // A comb that pulls less shows the same hair shorter.
  await pick(beside.getByLabel("dry", { exact: true }));
  await pick(beside.getByLabel("no comb"));
  await expect(beside.getByTestId("mark")).not.toHaveText(`${wet.toFixed(1)}cm`);
  expect(number(await beside.getByTestId("mark").textContent())).toBeLessThan(wet);
  await expect(page.getByText("52 % shrinkage")).toBeVisible();
  await page.getByRole("tab", { name: "Every way to hold it" }).click();
  await expect(page.getByRole("tabpanel", { name: "Every way to hold it" }).locator("tbody tr")).toHaveCount(11);
  // A person who reads inches reads the same mark in quarters of an inch.
  await page.locator(".units label", { hasText: "inch" }).click();
  await expect(advised.getByTestId("mark")).toHaveText(/^\d*[¼½¾]?in$/);
  await page.locator(".units label", { hasText: "cm" }).click();
  await expect(advised.getByTestId("mark")).toHaveText(`${wet.toFixed(1)}cm`);

  const [json] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Save as JSON" }).click(),
  ]);
  const file = await json.path();
  const text = await readFile(file, "utf8");
  expect(JSON.parse(text).read.zones.top.stretched_mm).toBe(300);
  const [csv] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Save as CSV" }).click(),
  ]);
  expect((await readFile(await csv.path(), "utf8")).trim().split("\n")).toHaveLength(9);

  await page.getByRole("link", { name: "Print the marks" }).click();
  await expect(page.locator("article").filter({ hasText: "Left side" })).toContainText(`${wet.toFixed(1)} cm`);
  await page.emulateMedia({ media: "print" });
  await expect(page.getByRole("button", { name: "Print" })).toBeHidden();
  const comb = await page.locator("article svg").first().boundingBox();
  // 200 mm of comb and its rounded ends, at 96 px an inch.
  expect(comb!.width).toBeCloseTo((214 * 96) / 25.4, 0);
  await page.emulateMedia({ media: "screen" });

  await page.goto(client);
  await page.locator("input[type=file]").setInputFiles({
    name: "visit.json",
    mimeType: "application/json",
    buffer: Buffer.from(text.replace('"stretched_mm": 300.0', '"stretched_mm": -300.0')),
  });
  await expect(page.getByRole("alert")).toContainText("read.zones.top.stretched_mm");
  await expect(page.getByRole("alert")).toContainText(/Line \d+/);
  await page.locator("input[type=file]").setInputFiles(file);
  await expect(page).toHaveURL(/\/talk$/);
  await expect(page.getByLabel("Notes")).toHaveValue("Wants it to clear the collar.");
  await page.getByRole("link", { name: /^Mark/ }).click();
  await page.getByRole("link", { name: /^Left side/ }).click();
  await expect(advised.getByTestId("mark")).toHaveText(`${wet.toFixed(1)}cm`);
  const [again] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Save as JSON" }).click(),
  ]);
  expect(await readFile(await again.path(), "utf8")).toBe(text);
});
