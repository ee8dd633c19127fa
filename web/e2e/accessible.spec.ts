import AxeBuilder from "@axe-core/playwright";
import { byZones, expect, openVisit, signIn, test } from "./server";
import type { Page } from "@playwright/test";

type Scheme = "light" | "dark";

/** What is dark differs in its colours alone from what is light. No view has frames, so none is looked for. */
const checks = (page: Page, scheme: Scheme) => {
  const axe = new AxeBuilder({ page }).setLegacyMode();
  return scheme === "dark"
    ? axe.withRules(["color-contrast", "link-in-text-block"])
    : axe.withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"]);
};

async function clean(page: Page, what: string) {
  await page.waitForLoadState("networkidle");
  for (const scheme of ["light", "dark"] satisfies Scheme[]) {
    await page.emulateMedia({ colorScheme: scheme });
    const { violations } = await checks(page, scheme).analyze();
    const found = violations.map(
      (v) => `${v.id}: ${v.nodes.map((n) => `${n.target} ${n.failureSummary}`).join(" | ")}`,
    );
    expect(found, `${what}, ${scheme}`).toEqual([]);
  }
}

test("axe finds nothing on any view, light and dark", async ({ page }) => {
  await page.emulateMedia({ reducedMotion: "reduce" });
  await page.goto("/sign-in");
  await clean(page, "sign-in");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.locator(".text .fault").first()).toBeVisible();
  await clean(page, "sign-in with faults");
  await signIn(page, "wren@saltmarsh.example");
  await clean(page, "people");
  await page.getByRole("button", { name: "New client" }).click();
  await expect(page.getByRole("dialog")).toBeVisible();
  await clean(page, "new client");
  await page.keyboard.press("Escape");
  await page.goto("/people?search=nobody-of-this-name");
  await expect(page.getByText("Nobody here is called")).toBeVisible();
  await clean(page, "people, none found");
  await page.goto("/house");
  await expect(page.locator("tbody tr").first()).toBeVisible();
  await clean(page, "house");
  await page.goto("/people?search=Nell");
  await page.getByRole("link", { name: "Nell Tidewater" }).click();
  await clean(page, "client without a visit");
  for (const stage of ["Talk", "Read", "Aim", "Plan", "Mark"] as const) {
    await openVisit(page, "Tova Quill", stage);
    await clean(page, stage);
  }
  await byZones(page);
  await page.getByRole("tab", { name: "Every way to hold it" }).click();
  await clean(page, "Mark, every state");
  await page.getByRole("button", { name: "Check with a card" }).click();
  await clean(page, "screen scale");
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Help" }).click();
  await expect(page.getByRole("dialog")).toBeVisible();
  await clean(page, "help");
  await page.keyboard.press("Escape");
  await page.getByRole("link", { name: "Print the marks" }).click();
  await expect(page.getByText(/^Lands/).first()).toBeVisible();
  await clean(page, "print");
  await page.goto(page.url().replace(/\/print$/, "/plan/print"));
  await expect(page.locator("[data-painted]")).toHaveCount(3);
  await clean(page, "a page for the client");
  await page.goto(page.url().replace(/\/print$/, ""));
  await page.getByRole("button", { name: "Choose a section" }).click();
  await expect(page.getByRole("dialog")).toBeVisible();
  await clean(page, "sections by name");
  await page.goto("/nowhere/at/all");
  await clean(page, "nowhere");
});

test("text at twice its size is still all there", async ({ wren }) => {
  await openVisit(wren, "Sunniva Drake", "Mark");
  await wren.setViewportSize({ width: 640, height: 400 });
  for (const path of ["read", "aim", "talk", "plan", "mark"]) {
    await wren.goto(wren.url().replace(/\/(talk|read|aim|plan|mark)(\/.*)?$/, `/${path}`));
    await wren.waitForLoadState("networkidle");
    const wide = await wren.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    expect(wide, path).toBeLessThanOrEqual(0);
  }
});

test("the address of a page names it, and ? opens the help", async ({ wren }) => {
  await openVisit(wren, "Pip Lanner", "Mark");
  await byZones(wren);
  await expect(wren).toHaveTitle("Mark · Spirel");
  // The zone that is shown first is known once the marks are.
  await expect(wren.getByRole("region", { name: /: cut here/ })).toBeVisible();
  await wren.keyboard.press("]");
  await expect(wren).toHaveURL(/mark\/back_upper$/);
  await wren.keyboard.press("?");
  await expect(wren.getByRole("dialog", { name: "Keys and words" })).toBeVisible();
});
