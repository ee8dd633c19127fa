import { expect } from "@playwright/test";
import { choose, openVisit, test } from "../e2e/server";
for (const [name, cut] of [["Sunniva Drake", ""], ["Maren Holt", ""], ["Tova Quill",""]] as const)
  test(`look ${name}`, async ({ wren }) => {
    test.setTimeout(120000);
    await openVisit(wren, name, "Plan");
    await wren.waitForTimeout(9000);
    const first = wren.locator(".findings .head").first();
    if (await first.count()) { await first.click(); await wren.waitForTimeout(2500); }
    await wren.screenshot({ path: `/tmp/look-${name.split(" ")[0]}.png` });
    await wren.locator(".findings").first().screenshot({ path: `/tmp/list-${name.split(" ")[0]}.png` }).catch(() => {});
  });
