import { byZones, choose, BINARY, openVisit, signIn, test } from "../e2e/server";
import { Hand, pair } from "../e2e/hand";
import { execFileSync } from "node:child_process";
import type { Page } from "@playwright/test";

const FOLDER = "../docs/screenshots";

async function take(page: Page, name: string) {
  await page.waitForLoadState("networkidle");
  await page.evaluate(() => document.fonts.ready);
  // Hair is painted beside the page, and is pale until then.
  await page.waitForTimeout(1500);
  await page.waitForFunction(() => !document.querySelector(".hair.stale"));
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${FOLDER}/${name}.png` });
}

/** Waits until the 3D view is drawn, and shows the top of the page. */
async function inSpace(page: Page) {
  await page.locator("canvas[data-frame-ms]").waitFor();
  await page.waitForLoadState("networkidle");
  await page.evaluate(() => scrollTo(0, 0));
}

async function dark(page: Page) {
  await page.emulateMedia({ colorScheme: "dark", reducedMotion: "reduce" });
}

test.beforeEach(({ page }) => page.emulateMedia({ colorScheme: "light", reducedMotion: "reduce" }));

test("before a visit", async ({ page }) => {
  await page.goto("/sign-in");
  await take(page, "sign-in");
  await signIn(page, "wren@saltmarsh.example");
  await take(page, "people");
  await page.goto("/people?search=Sunniva");
  await page.getByRole("link", { name: "Sunniva Drake" }).click();
  await take(page, "client");
  await page.goto("/house");
  await take(page, "house");
});

test("a visit", async ({ wren: page }) => {
  await openVisit(page, "Sunniva Drake", "Talk");
  await take(page, "talk");
  await openVisit(page, "Dario Vane", "Read");
  await page
    .getByRole("row", { name: /^Left side, lower half/ })
    .getByRole("button")
    .click();
  await page.evaluate(() => scrollTo(0, 0));
  await take(page, "read");
  await openVisit(page, "Bastian Crook", "Read");
  await pair(page, "Comb 1", "Gauge 1", "Room");
  const hand = await Hand.beside(page);
  await page.bringToFront();
  await hand.press("comb-1", "crown", { pulled: true });
  await page.getByTestId("last").waitFor();
  await hand.tell({ type: "set", device: "gauge-1", reach: "away" });
  await page.getByText("Gauge 1 is out of reach").waitFor();
  await take(page, "read-instruments");
  await openVisit(page, "Sunniva Drake", "Aim");
  await take(page, "aim");
  await openVisit(page, "Sunniva Drake", "Plan");
  await inSpace(page);
  // The scene of the move that is opened is asked for once the hand rests.
  const scene = page.waitForResponse("**/api/compute/scene");
  await page.getByRole("button", { name: /^3\. / }).click();
  await (await scene).finished();
  await inSpace(page);
  await take(page, "plan");
  await choose(page.getByLabel("Compare with"), "box_loft");
  await page.getByRole("heading", { name: "Box loft" }).waitFor();
  await take(page, "plan-two-cuts");
  await openVisit(page, "Gudrun Slate", "Plan");
  await page.getByText(/^3 ways, the best of/).waitFor();
  await take(page, "proposals");
  await openVisit(page, "Sunniva Drake", "Mark");
  await page
    .getByText(/^Lands/)
    .first()
    .waitFor();
  await take(page, "plan-marks");
  await byZones(page);
  await page.getByRole("link", { name: /^Left side/ }).click();
  await take(page, "mark");
  await page.getByRole("link", { name: "Print the marks" }).click();
  await page
    .getByText(/^Lands/)
    .first()
    .waitFor();
  await take(page, "print");
});

test("a visit in the evening", async ({ wren: page }) => {
  await dark(page);
  await openVisit(page, "Tova Quill", "Read");
  await take(page, "read-dark");
  await openVisit(page, "Bastian Crook", "Plan");
  await inSpace(page);
  await take(page, "plan-dark");
});

test("a visit on a tablet", async ({ wren: page }, info) => {
  await page.setViewportSize({ width: 820, height: 1180 });
  const scalp = info.outputPath("scalp.png");
  execFileSync(BINARY, ["stand-in", "scope", "--hairs-per-cm2", "120", "--width-um", "50", scalp]);
  await openVisit(page, "Tova Quill", "Read");
  await page.getByText("Layers, more figures, further strands, density").click();
  await page.locator('.counter input[type="file"]').setInputFiles(scalp);
  await page.getByText(/^Counted/).waitFor();
  await page.getByRole("tab", { name: "Gathered and worn" }).click();
  await page.evaluate(() => scrollTo(0, 0));
  await take(page, "read-tablet");
  await openVisit(page, "Tova Quill", "Plan");
  await inSpace(page);
  await take(page, "plan-tablet");
});
