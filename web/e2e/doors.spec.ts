import { expect, openVisit, saveState, signIn, test } from "./server";

test("a wrong password is refused in words, and what was typed stays", async ({ page }) => {
  await page.goto("/sign-in");
  await page.getByLabel("Email").fill("wren@saltmarsh.example");
  await page.getByLabel("Password").fill("not it");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByRole("alert")).toHaveText("Address and password don't match. Try again.");
  await expect(page.getByLabel("Email")).toHaveValue("wren@saltmarsh.example");
  await page.getByLabel("Password").fill("");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.locator(".text .fault")).toHaveCount(1);
});

test("an address of another house leads nowhere", async ({ page, browser, baseURL }) => {
  await signIn(page, "wren@saltmarsh.example");
  await openVisit(page, "Maren Holt", "Read");
  const visit = new URL(page.url()).pathname;
  const client = await page.getByRole("link", { name: "Maren Holt" }).getAttribute("href");

  const elsewhere = await browser.newContext({ baseURL });
  const other = await elsewhere.newPage();
  await signIn(other, "sela@gannet.example");
  for (const path of [visit, client!]) {
    await other.goto(path);
    await expect(other.getByRole("alert")).toContainText("There is no such thing in your house.");
    await expect(other.locator("main")).not.toContainText("Maren");
  }
  await elsewhere.close();
});

test("who isn't signed in is asked to, and then led on to where they wanted to go", async ({ page }) => {
  await signIn(page, "ivo@saltmarsh.example");
  await openVisit(page, "Pip Lanner", "Aim");
  const wanted = new URL(page.url()).pathname;
  await page.getByRole("button", { name: "Ivo Tarrant" }).click();
  await page.getByRole("button", { name: "Sign out", exact: true }).click();
  await expect(page).toHaveURL(/sign-in$/);
  await page.goto(wanted);
  await expect(page).toHaveURL(/sign-in\?next=/);
  await page.getByLabel("Email").fill("ivo@saltmarsh.example");
  await page.getByLabel("Password").fill("tide-and-comb");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page).toHaveURL(new RegExp(`${wanted}$`));
});

test("signing out everywhere ends the other device's session too", async ({ page, browser, baseURL }) => {
  const context = await browser.newContext({ baseURL });
  const tablet = await context.newPage();
  await signIn(tablet, "odile@saltmarsh.example");
  await signIn(page, "odile@saltmarsh.example");
  await page.getByRole("button", { name: "Odile Marsh" }).click();
  await page.getByRole("button", { name: "Sign out on every device" }).click();
  await expect(page).toHaveURL(/sign-in/);
  await tablet.getByRole("link", { name: "Pip Lanner" }).click();
  await expect(tablet).toHaveURL(/sign-in\?next=/);
  await context.close();
});

test("the desk looks and doesn't change; only the owner reads the record of changes", async ({ page }) => {
  await signIn(page, "bram@saltmarsh.example");
  await openVisit(page, "Tova Quill", "Read");
  await expect(saveState(page)).toHaveText("You can look, not change");
  await expect(page.getByLabel("Stretched", { exact: true })).toBeDisabled();
  await page.getByRole("link", { name: "House" }).click();
  await expect(page.getByText("The record of changes is for the owner of the house.")).toBeVisible();
});
