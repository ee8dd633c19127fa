import { SAVED, Server, expect, openVisit, saveState, signIn, test } from "./server";

test("two pages on one reading: the second chooses line by line, and neither version is lost", async ({
  wren,
  context,
}) => {
  await openVisit(wren, "Bastian Crook", "Read");
  const second = await context.newPage();
  await second.goto(wren.url());
  const stretched = (page: typeof wren) => page.getByLabel("Stretched", { exact: true });
  await expect(stretched(second)).toBeVisible();

  await wren.getByRole("button", { name: "Crown", exact: true }).click();
  await stretched(wren).fill("41");
  await expect(wren.locator("tr", { hasText: "Crown" }).locator("td").first()).toHaveText("41.0");
  await expect(saveState(wren)).toHaveText(SAVED);

  await second.getByRole("button", { name: "Crown", exact: true }).click();
  await stretched(second).fill("42");
  await second.getByRole("button", { name: "Nape", exact: true }).click();
  await stretched(second).fill("33");
  const choice = second.getByRole("dialog", { name: "Wren Calloway saved this in the meantime" });
  await expect(choice).toBeVisible();
  const crown = choice.getByRole("row", { name: /Crown, Stretched/ });
  await expect(crown).toContainText("42.0 cm");
  await expect(crown).toContainText("41.0 cm");
  await crown.getByLabel("Theirs").check({ force: true });
  await choice.getByRole("button", { name: "Keep what is chosen" }).click();

  await expect(choice).toBeHidden();
  await expect(saveState(second)).toHaveText(SAVED);
  await second.reload();
  const cell = (zone: string) => second.locator("tr", { hasText: zone }).locator("td").first();
  await expect(cell("Crown")).toHaveText("41.0");
  await expect(cell("Nape")).toHaveText("33.0");
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
