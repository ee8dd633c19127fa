import { openVisit, ownSteps, test } from "../e2e/server";
test("zz", async ({ wren: page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await openVisit(page, "Halle Mooring", "Plan");
  await page.getByRole("button", { name: "Propose plans" }).click();
  await page.waitForTimeout(9000);
  await page.screenshot({ path: `/tmp/try/zz-halle.png`, fullPage: true });
  await ownSteps(page);
  await openVisit(page, "Sunniva Drake", "Plan");
  await page.waitForTimeout(3000);
  await page.getByRole("button", { name: /^3\. / }).click();
  await page.getByRole("button", { name: "What if" }).click();
  await page.waitForTimeout(4000);
  await page.screenshot({ path: `/tmp/try/zz-whatif.png`, fullPage: true });
  await page.getByRole("button", { name: "Propose plans" }).click();
  await page.setViewportSize({ width: 820, height: 1180 });
  await page.waitForTimeout(9000);
  await page.screenshot({ path: `/tmp/try/zz-sunniva.png`, fullPage: true });
});
