import { openVisit, test } from "../e2e/server";
test("zz", async ({ wren: page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  for (const name of ["Gudrun Slate", "Tova Quill"]) {
    await openVisit(page, name, "Plan");
    await page.waitForTimeout(1500);
    const button = page.getByRole("button", { name: "Propose plans" });
    if (await button.isVisible()) await button.click();
    await page.waitForTimeout(7000);
    await page.screenshot({ path: `/tmp/try/zz-${name.split(" ")[0]}.png` });
    await page.screenshot({ path: `/tmp/try/zz-${name.split(" ")[0]}-full.png`, fullPage: true });
  }
});
