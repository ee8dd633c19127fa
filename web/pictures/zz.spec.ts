import { openVisit, test } from "../e2e/server";
test("zz", async ({ wren: page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await openVisit(page, "Gudrun Slate", "Plan");
  await page.waitForTimeout(8000);
  await page.screenshot({ path: `/tmp/try/zz-plan.png` });
  await openVisit(page, "Sunniva Drake", "Aim");
  await page.waitForTimeout(4000);
  await page.screenshot({ path: `/tmp/try/zz-aim.png`, fullPage: true });
  await openVisit(page, "Sunniva Drake", "Mark");
  await page.waitForTimeout(4000);
  await page.screenshot({ path: `/tmp/try/zz-mark.png`, fullPage: true });
  await page.getByRole("link", { name: "Print the marks" }).click();
  await page.waitForTimeout(3000);
  await page.screenshot({ path: `/tmp/try/zz-print.png`, fullPage: true });
});
