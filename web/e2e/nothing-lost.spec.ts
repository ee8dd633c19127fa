import type { Browser, Page } from "@playwright/test";
import { SAVED, Server, blankVisit, choose, expect, get, openVisit, saveState, signIn, test, pick } from "./server";

const stretched = (page: Page) => page.getByLabel("Stretched", { exact: true });
const zone = (page: Page, name: string) => page.getByRole("button", { name, exact: true });
const cell = (page: Page, name: string) => page.locator("tr", { hasText: name }).locator("td").first();

/** Another person at another device. */
async function colleague(browser: Browser, at: Page): Promise<Page> {
  const context = await browser.newContext({ baseURL: new URL(at.url()).origin });
  const page = await context.newPage();
  await signIn(page, "ivo@saltmarsh.example");
  await page.goto(at.url());
  return page;
}

test("two people on one reading: what each changes shows on the other's screen, and only the same figure asks", async ({
  wren,
  browser,
}) => {
  await openVisit(wren, "Bastian Crook", "Read");
  const ivo = await colleague(browser, wren);
  await expect(stretched(ivo)).toBeVisible();

  await zone(wren, "Crown").click();
  await zone(ivo, "Nape").click();
  await stretched(wren).fill("41");
  await expect(cell(ivo, "Crown")).toHaveText("41.0");
  await stretched(ivo).fill("33");
  await expect(cell(wren, "Nape")).toHaveText("33.0");
  await expect(saveState(wren)).toHaveText(SAVED);
  await expect(saveState(ivo)).toHaveText(SAVED);

  // A list is edited member by member, too: both add a weak spot.
  for (const page of [wren, ivo]) {
    await page.getByRole("tab", { name: /^Weak spots/ }).click();
    await page.getByRole("button", { name: "Add a weak spot" }).click();
  }
  for (const page of [wren, ivo]) await expect(page.getByLabel("What is there")).toHaveCount(2);

  // The line of one of them is held up while both change the same figure.
  await zone(ivo, "Crown").click();
  await ivo.context().setOffline(true);
  await stretched(ivo).fill("42");
  await zone(ivo, "Top").click();
  await stretched(ivo).fill("36");
  await expect(saveState(ivo)).toHaveText("Kept on this device; the server is away");
  await stretched(wren).fill("43");
  await expect(saveState(wren)).toHaveText(SAVED);
  await ivo.context().setOffline(false);
  const choice = ivo.getByRole("dialog", { name: "Wren Calloway changed the same" });
  await expect(choice).toBeVisible();
  await expect(choice.getByRole("row")).toHaveCount(2);
  const crown = choice.getByRole("row", { name: /Crown: Stretched/ });
  await expect(crown).toContainText("42.0 cm");
  await expect(crown).toContainText("43.0 cm");
  await pick(crown.getByLabel("Theirs"));
  await choice.getByRole("button", { name: "Keep what is chosen" }).click();

  await expect(choice).toBeHidden();
  await expect(saveState(ivo)).toHaveText(SAVED);
  await expect(cell(wren, "Top")).toHaveText("36.0");
  await ivo.reload();
  await expect(cell(ivo, "Crown")).toHaveText("43.0");
  await expect(cell(ivo, "Nape")).toHaveText("33.0");
  await ivo.context().close();
});

test("a device that was offline for an edit of every stage, closed meanwhile, loses nothing", async ({
  wren,
  browser,
}) => {
  await blankVisit(wren, "Orrin Lisk");
  const stage = (name: string) =>
    wren
      .getByRole("navigation", { name: "Stages of the visit" })
      .getByRole("link", { name: new RegExp(`^${name}`) })
      .click();
  const away = () => expect(saveState(wren)).toHaveText("Kept on this device; the server is away");
  // All pages were seen once, as on a device that has been in use; the line breaks while Aim is open.
  for (const name of ["Talk", "Plan", "Read", "Aim"]) {
    await stage(name);
    await expect(wren.getByRole("heading", { level: 1, name })).toBeAttached();
  }
  await expect(wren.getByLabel("Ends at", { exact: true })).toBeEnabled();
  await wren.context().setOffline(true);
  await choose(wren.getByLabel("Ends at", { exact: true }), "cheekbone");
  await away();
  await stage("Read");
  await zone(wren, "Top").click();
  await stretched(wren).fill("30");
  await away();
  await stage("Talk");
  await wren.getByLabel("Notes").fill("Typed without a line.");
  await away();
  await stage("Plan");
  await wren.getByRole("button", { name: "Perimeter", exact: true }).click();
  await away();
  const address = wren.url();
  const context = wren.context();
  await wren.close();

  await context.setOffline(false);
  const again = await context.newPage();
  await again.goto("/people");
  // Without the visit being opened it is all handed over; a colleague sees it.
  const ivo = await browser.newContext({ baseURL: new URL(address).origin });
  const other = await ivo.newPage();
  await signIn(other, "ivo@saltmarsh.example");
  await other.goto(address.replace(/plan$/, "talk"));
  await expect(other.getByLabel("Notes")).toHaveValue("Typed without a line.");
  await other.goto(address.replace(/plan$/, "read"));
  await expect(cell(other, "Top")).toHaveText("30.0");
  await other.goto(address);
  await expect(other.locator(".moves > li")).toHaveCount(1);
  await other.goto(address.replace(/plan$/, "aim"));
  await expect(other.getByRole("row", { name: /^Left side/ })).toContainText("cheekbone");
  await ivo.close();
});

test("a second page that is opened while something is typed hands over no half of it", async ({ wren }) => {
  await openVisit(wren, "Gudrun Slate", "Talk");
  const notes = wren.getByLabel("Notes");
  await notes.fill("");
  const words = "Typed without a rest while another page of the same person was opened on this device.";
  const second = await wren.context().newPage();
  await Promise.all([
    notes.pressSequentially(words, { delay: 80 }),
    second.goto("/people").then(() => expect(second.getByRole("heading", { level: 1 })).toBeVisible()),
  ]);
  await expect(saveState(wren)).toHaveText(SAVED);
  await expect(notes).toHaveValue(words);
  await wren.reload();
  await expect(notes).toHaveValue(words);
});

test("pages left open in the background keep none from being opened and saved", async ({ wren }) => {
  await openVisit(wren, "Gudrun Slate", "Talk");
  const address = wren.url();
  // A browser has six connections to a server. Here no page is ever hidden, so they are told that they are.
  const hide = (page: Page) =>
    page.evaluate(() => {
      Object.defineProperty(document, "visibilityState", { value: "hidden" });
      document.dispatchEvent(new Event("visibilitychange"));
    });
  let page = wren;
  for (let i = 0; i < 7; i++) {
    await hide(page);
    page = await wren.context().newPage();
    await page.goto(address);
  }
  await page.getByLabel("Notes").fill("Written on the eighth page.");
  await expect(saveState(page)).toHaveText(SAVED);
});

test("two people on one tablet keep what they typed apart", async ({ browser }) => {
  const server = await Server.fresh();
  const context = await browser.newContext({ baseURL: server.url });
  try {
    const page = await context.newPage();
    await signIn(page, "wren@saltmarsh.example");
    await openVisit(page, "Gudrun Slate", "Talk");
    const address = page.url();
    const notes = page.getByLabel("Notes");
    const before = await notes.inputValue();
    // Her line breaks for saving alone, and the session ends before it is mended.
    await page.route("**/stages/**", (route) => route.abort());
    await notes.fill("Wren's own words.");
    await expect(saveState(page)).toHaveText("Kept on this device; the server is away");
    await context.clearCookies();
    await page.unroute("**/stages/**");

    await signIn(page, "ivo@saltmarsh.example");
    await page.goto(address);
    await expect(notes).toHaveValue(before);
    await page.waitForTimeout(1500);
    await expect(notes).toHaveValue(before);

    await context.clearCookies();
    await signIn(page, "wren@saltmarsh.example");
    await page.goto(address);
    await expect(notes).toHaveValue("Wren's own words.");
    await expect(saveState(page)).toHaveText(SAVED);
    const { documents } = await get<{ documents: { stage: string; saved_by: string }[] }>(
      page,
      `/api/visits/${address.split("/").at(-2)}`,
    );
    expect(documents.find(({ stage }) => stage === "talk")?.saved_by).toBe("Wren Calloway");
  } finally {
    await context.close();
    await server.remove();
  }
});

test("a server that stops in the middle of typing and comes back: nothing is lost", async ({ browser }) => {
  const server = await Server.fresh();
  const context = await browser.newContext({ baseURL: server.url });
  try {
    const page = await context.newPage();
    await signIn(page, "wren@saltmarsh.example");
    await openVisit(page, "Gudrun Slate", "Talk");
    const notes = page.getByLabel("Notes");
    await notes.fill("First line. ");
    await expect(saveState(page)).toHaveText(SAVED);

    await notes.pressSequentially("Second ");
    await server.stop();
    await notes.pressSequentially("line, typed while the server was away.");
    await expect(saveState(page)).toHaveText("Kept on this device; the server is away");

    await server.start();
    await expect(saveState(page)).toHaveText(SAVED);
    await page.reload();
    await expect(notes).toHaveValue("First line. Second line, typed while the server was away.");

    // A page that was closed before the server came back hands its text over when it is opened again.
    await server.stop();
    await notes.pressSequentially(" Third.");
    await expect(saveState(page)).toHaveText("Kept on this device; the server is away");
    const address = page.url();
    await page.close();
    await server.start();
    const again = await context.newPage();
    await again.goto(address);
    await expect(again.getByLabel("Notes")).toHaveValue(/Third\.$/);
    await expect(saveState(again)).toHaveText(SAVED);
  } finally {
    await context.close();
    await server.remove();
  }
});

test("bad input is said at its field, is not saved, and stays until it is put right", async ({ wren }) => {
  await openVisit(wren, "Kit Bowline", "Read");
  await wren.getByRole("button", { name: "Top", exact: true }).click();
  const stretched = wren.getByLabel("Stretched", { exact: true });
  const sprung = wren.getByLabel("Sprung", { exact: true });

  await stretched.fill("1000");
  await expect(wren.getByText(/This must be from 1\.0 cm to 250\.0 cm/)).toBeVisible();
  await expect(saveState(wren)).toHaveText("Not saved: one field needs a look");
  await expect(wren.locator("tr", { hasText: "Top" })).toContainText("look");
  await stretched.fill("NaN");
  await expect(wren.getByText("This is not a number.")).toBeVisible();
  await stretched.fill("20");
  await sprung.fill("25");
  await expect(wren.getByText("The sprung length can't be longer than the stretched one (20.0 cm).")).toBeVisible();
  await sprung.fill("15");
  await expect(saveState(wren)).toHaveText(SAVED);

  await wren.keyboard.press("Control+z");
  await expect(sprung).not.toHaveValue("15");
  await wren.keyboard.press("Control+Shift+Z");
  await expect(sprung).toHaveValue("15");
});

test("a note longer than is kept is said, and can be shortened", async ({ wren }) => {
  await openVisit(wren, "Kit Bowline", "Talk");
  const notes = wren.getByLabel("Notes");
  await notes.fill("x".repeat(10_000));
  await expect(wren.locator(".text .fault")).toContainText("4,000");
  await notes.fill("short");
  await expect(saveState(wren)).toHaveText(SAVED);
});
