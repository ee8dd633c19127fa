import type { Page } from "@playwright/test";
import { execFileSync } from "node:child_process";
import { writeFileSync } from "node:fs";
import {
  BINARY,
  SAVED,
  beginWith,
  byZones,
  blankVisit,
  choose,
  expect,
  openVisit,
  ownSteps,
  pick,
  saveState,
  test,
} from "./server";

test("hairs are counted on a picture, and the count makes the plan's hair as dense", async ({ wren }, info) => {
  const picture = info.outputPath("scalp.png");
  const said = execFileSync(BINARY, ["stand-in", "scope", "--hairs-per-cm2", "90", "--seed", "3", picture]).toString();
  const there = Number(/^(\d+) hairs/.exec(said)?.[1]);

  await openVisit(wren, "Sunniva Drake", "Read");
  await wren.getByText("Layers, more figures, further strands, density").click();
  const density = wren.getByLabel("Hairs on a cm²");
  const picker = wren.locator('.counter input[type="file"]');

  // What is no picture of a scalp is said, and nothing is taken over.
  const none = info.outputPath("none.png");
  writeFileSync(none, "no picture");
  await picker.setInputFiles(none);
  await expect(wren.getByText("The picture can't be read as PNG.")).toBeVisible();
  await expect(density).toHaveValue("");

  await picker.setInputFiles(picture);
  await expect(wren.getByText(/^Counted: \d+ hairs on a square centimetre, give or take \d+\./)).toBeVisible();
  await expect(density).not.toHaveValue("");
  const counted = Number(await density.inputValue());
  expect(Math.abs(counted / there - 1)).toBeLessThan(0.25);
  await wren.getByRole("button", { name: "Use the thickness, too" }).click();
  await expect(wren.getByLabel("Strand thickness measured")).toHaveValue(/^\d\d$/);
  await expect(saveState(wren)).toHaveText(SAVED);
  await wren.keyboard.press("Control+z");
  await wren.keyboard.press("Control+z");
  await expect(density).toHaveValue("");
  await expect(saveState(wren)).toHaveText(SAVED);
});

test("girths tell how far the hair is full; weak spots bring a caution and thin the plan's hair", async ({ wren }) => {
  await openVisit(wren, "Joss Redfern", "Plan");
  await ownSteps(wren);
  const off = wren.getByText(/^Hair off: \d+ g of \d+ g$/);
  const grams = async () => Number(/of (\d+) g/.exec((await off.textContent()) ?? "")?.[1]);
  await expect(off).toBeVisible();
  const whole = await grams();

  await wren.getByRole("link", { name: /^Read/ }).click();
  await wren.getByRole("tab", { name: "Gathered and worn" }).click();
  for (let i = 0; i < 3; i++) await wren.getByRole("button", { name: "Add a girth further down" }).click();
  const round = wren.getByLabel("Round the hair");
  await round.nth(1).fill("12");
  await expect(wren.getByText(/can't be thicker than nearer to the tie/).first()).toBeVisible();
  await round.nth(1).fill("8");
  await round.nth(2).fill("4.5");
  // Shares (8/9)² and (4.5/9)² at 10 and 20 cm: half is passed at 15.4 cm.
  await expect(wren.getByText(/^Half of the hair reaches 15\.4 cm from the tie, give or take \d\.\d cm/)).toBeVisible();

  await wren.getByRole("tab", { name: /^Weak spots/ }).click();
  await wren.getByRole("button", { name: "Add a weak spot" }).click();
  await choose(wren.getByLabel("Where", { exact: true }), "crown");
  await wren.getByRole("textbox", { name: "Reaches" }).fill("10");
  await wren.getByLabel("How much").fill("90");
  await expect(wren.getByText(/If it came suddenly or in patches, stop and refer/)).toBeVisible();
  await choose(wren.getByLabel("What is there"), "sore_skin");
  const sore = wren.getByRole("note").filter({ hasText: "Sore skin is noted" });
  await sore.getByRole("button", { name: "Noted" }).click();
  await expect(sore).toBeHidden();
  await expect(wren.getByText(/^Noted: Sore skin is noted/)).toBeVisible();
  await choose(wren.getByLabel("What is there"), "thin");
  await expect(saveState(wren)).toHaveText(SAVED);

  await wren.getByRole("link", { name: /^Plan/ }).click();
  await ownSteps(wren);
  await expect.poll(grams).toBeLessThan(whole);
});

test("what hand and eye know of the head is read, and the plan's hair follows", async ({ wren }) => {
  await openVisit(wren, "Halle Mooring", "Plan");
  const falls = wren.getByRole("img", { name: /left/i }).first();
  await expect(falls).toBeVisible();
  await wren.getByRole("link", { name: "Skull, parting and whorls are read: see Read." }).click();
  await wren.getByText("Skull, parting, whorls").click();
  await pick(wren.getByRole("radio", { name: "flat" }));
  await pick(wren.getByRole("radio", { name: "high" }));
  await wren.getByRole("button", { name: "Add a whorl or cowlick" }).click();
  await wren.getByLabel("Reach", { exact: true }).fill("500");
  await expect(wren.getByText(/This must be from 1\.0 cm to 12\.0 cm/)).toBeVisible();
  await wren.getByLabel("Reach", { exact: true }).fill("5");
  await expect(saveState(wren)).toHaveText(SAVED);
  // The plan's head is the one that was read.
  const asked = wren.waitForRequest("**/api/compute/fall");
  await wren.getByRole("link", { name: /^Plan/ }).click();
  const { reading } = (await asked).postDataJSON() as { reading: { skull: object; growth: object[] } };
  expect(reading.skull).toEqual({ crown: 0.8, occiput: -0.8 });
  expect(reading.growth).toHaveLength(1);
  await wren.getByRole("link", { name: /^Read/ }).click();
  await wren.getByText("Skull, parting, whorls").click();
  await expect(wren.getByRole("radio", { name: "flat" })).toBeChecked();
});

test("a whole head is read with keys alone", async ({ wren }, info) => {
  await blankVisit(wren, "Isaura Pellbrook");
  let keys = 0;
  const press = async (page: Page, key: string) => {
    keys += 1;
    await page.keyboard.press(key);
  };
  const type = async (page: Page, text: string) => {
    for (const letter of text) await press(page, letter);
  };
  const began = Date.now();
  // From the top of the page: past the navigation to the first figure.
  const stretched = wren.getByLabel("Stretched", { exact: true });
  for (let i = 0; i < 60 && !(await stretched.evaluate((field) => field === document.activeElement)); i++)
    await press(wren, "Tab");
  await expect(stretched).toBeFocused();
  const before = keys;
  for (let zone = 0; zone < 8; zone++) {
    await type(wren, String(24 + zone));
    await press(wren, "Enter");
    await type(wren, String(12 + zone));
    await press(wren, "Enter");
    await press(wren, "m");
    await press(wren, "Enter");
  }
  await expect(wren.getByRole("link", { name: /^Read/ })).toContainText("8 of 8 zones");
  await expect(saveState(wren)).toHaveText(SAVED);
  const seconds = (Date.now() - began) / 1000;
  info.annotations.push({
    type: "measured",
    description: `${keys} keys, ${before} to get there, ${seconds.toFixed(1)} s`,
  });
  // Two figures of two digits, a letter, and Enter after each.
  expect(keys - before).toBe(8 * 8);
});

test("the line and the girths are met by the computed hair, and what contradicts the zones is said", async ({
  wren,
}) => {
  await openVisit(wren, "Sunniva Drake", "Read");
  const now = wren.locator("section.now");
  await expect(now.getByText(/^About \d+ g of hair/)).toBeVisible();
  await expect(now.getByText(/Its girths agree with yours to \d %/)).toBeVisible();
  await now.getByText("Where the perimeter lies").click();
  await expect(now.getByText("The computed hair agrees.")).toHaveCount(5);
  // A line at the waist can't be that of hair that was read as 45 cm and less.
  await choose(now.getByLabel("Middle of the back"), "waist");
  await expect(now.getByText(/The computed hair ends \d\d\.\d cm higher: a zone was read too short/)).toBeVisible();
  await wren.keyboard.press("Control+z");
  await expect(now.getByText("The computed hair agrees.")).toHaveCount(5);
});

test("what is said in the talk brings its cautions, and the plan minds the tie", async ({ wren }) => {
  await openVisit(wren, "Dario Vane", "Talk");
  await wren.getByText("Client is a minor").click();
  const guardian = wren.getByRole("note").filter({ hasText: "begin only once a guardian has agreed" });
  await expect(guardian).toBeVisible();
  await wren.getByText("A guardian has agreed", { exact: true }).click();
  await expect(guardian).toBeHidden();
  await wren.locator("label", { hasText: "lightened" }).click();
  const treated = wren.getByRole("note").filter({ hasText: "stretches and breaks more easily" });
  await treated.getByRole("button", { name: "Noted" }).click();
  await expect(treated).toBeHidden();
  await wren.getByText("Client is a minor").click();
  await wren.getByText("History and habits").click();
  await wren.getByLabel("Weeks since the last cut").fill("2000");
  await expect(wren.getByText(/This must be from 0 to 1,040 weeks/)).toBeVisible();
  await wren.getByLabel("Weeks since the last cut").fill("9");
  await wren.getByText("Ties it back for work or sport").click();
  await expect(saveState(wren)).toHaveText(SAVED);

  await wren.getByRole("link", { name: /^Plan/ }).click();
  await ownSteps(wren);
  const asked = wren.waitForRequest("**/api/compute/fall");
  await beginWith(wren, "Harbour line");
  expect(((await asked).postDataJSON() as { ties_back: boolean }).ties_back).toBe(true);
  await wren.reload();
  await wren.getByRole("link", { name: /^Talk/ }).click();
  await expect(wren.getByText(/^Noted: Treated hair/)).toBeVisible();
});

test("a table of somebody else's is mapped, shown with its faults, and taken over in one step", async ({ wren }) => {
  await blankVisit(wren, "Calliope Reedham");
  await wren.getByRole("tab", { name: "From a table" }).click();
  const table = "Area;x\n";
  const file = (text: string) => ({ name: "hair.csv", mimeType: "text/csv", buffer: Buffer.from(text) });
  const picker = wren.locator('.csv input[type="file"]');
  await picker.setInputFiles(file(table));
  await expect(wren.getByText(/^Will be read: nothing yet/)).toBeVisible();
  await picker.setInputFiles(file("area,long (cm),Let go (cm)\nTop,30,15.5\nNape,22,24\nKnee,1,1\n"));
  await expect(wren.getByText(/Line 4 : “Knee” names no zone that is known here/)).toBeVisible();
  // What its heading doesn't say a person does.
  await choose(wren.getByLabel("long (cm)"), "stretched_mm");
  await expect(wren.getByText(/Line 3 Let go \(cm\): “24” can't be longer/)).toBeVisible();
  await expect(wren.getByText("Will be read: Top, Nape.")).toBeVisible();
  await wren.getByRole("button", { name: "Use them" }).click();
  const rows = wren.locator(".read tbody tr");
  await expect(rows.filter({ hasText: "Top" }).first()).toContainText("30.0");
  await expect(rows.filter({ hasText: "Nape" }).first()).toContainText("22.0");
  await expect(saveState(wren)).toHaveText(SAVED);
  await wren.keyboard.press("Control+z");
  await expect(rows.filter({ hasText: "Top" }).first()).not.toContainText("30.0");
});

test("curl is told by eye, further strands by their lengths, and density by comparing", async ({ wren }) => {
  await blankVisit(wren, "Petra Lowmarsh");
  await wren.getByLabel("Stretched", { exact: true }).fill("30");
  await wren.getByLabel("Sprung", { exact: true }).fill("15");
  const confidence = wren.getByText(/^Confidence ± /);
  const known = async () => Number(/± ([\d.]+) cm/.exec((await confidence.textContent()) ?? "")?.[1]);
  await expect(confidence).toBeVisible();
  const before = await known();

  // Strands that differ far more than usual are said, and make the zone less sure; strands that agree make it surer.
  await wren.getByText("Layers, more figures, further strands, density").click();
  await wren.getByLabel("Strand 2, stretched").fill("30");
  await wren.getByLabel("Strand 2, sprung").fill("32");
  await expect(wren.getByText(/The sprung length can't be longer|This can't be longer/).first()).toBeVisible();
  await wren.getByLabel("Strand 2, sprung").fill("15.2");
  await wren.getByLabel("Strand 3, stretched").fill("31");
  await wren.getByLabel("Strand 3, sprung").fill("15.4");
  await expect(wren.getByText(/^3 strands, which differ by \d+ points/)).toBeVisible();
  await expect.poll(known).toBeLessThan(before);
  await wren.getByLabel("Strand 3, sprung").fill("29");
  await wren.getByLabel("Strand 2, sprung").fill("5");
  await expect(wren.getByText(/strands differ by \d+ points of shrinkage, far more/)).toBeVisible();
  await wren.getByRole("button", { name: "Remove strand 3" }).click();
  await wren.getByRole("button", { name: "Remove strand 2" }).click();
  await expect.poll(known).toBe(before);

  // A picture is chosen by its number of hairs.
  await wren.getByText("Compare with pictures …").click();
  const scalp = wren.getByRole("button", { name: "180" });
  expect(
    await scalp.locator("img").evaluate((img: HTMLImageElement) => img.decode().then(() => img.naturalWidth)),
  ).toBe(400);
  await scalp.click();
  await expect(wren.getByLabel("Hairs on a cm²")).toHaveValue("180");

  // Seven strands in true size; what the lengths can't have is said.
  await wren.getByText("Curl by eye, loop width, turns").click();
  await expect(wren.locator(".scale svg")).toHaveCount(7);
  await pick(wren.getByRole("radio", { name: "coil", exact: true }));
  await expect(wren.getByText("Curl by eye: coil")).toBeVisible();
  await wren.getByLabel("Width of a loop at the end").fill("38");
  await expect(wren.getByText(/the curl you saw is looser than its lengths say/)).toBeVisible();
  await wren.getByLabel("Width of a loop at the end").fill("");
  await expect(saveState(wren)).toHaveText(SAVED);
  await wren.reload();
  await wren
    .getByRole("row", { name: /^Fringe/ })
    .getByRole("button")
    .click();
  await expect(wren.getByText("Curl by eye: coil")).toBeVisible();
});

test("what changed since the last reading is said, and marks lie on the head", async ({ wren }) => {
  await openVisit(wren, "Tova Quill", "Read");
  await expect(wren.getByRole("heading", { name: /^Since \d+ \w+ \d{4}$/ })).toBeVisible();
  await openVisit(wren, "Kit Bowline", "Read");
  // A swirl on the crown is seen from all three sides.
  await expect(wren.locator(".mark.growth")).toHaveCount(3);
  await expect(wren.getByRole("heading", { name: /^Since / })).toHaveCount(0);
  await openVisit(wren, "Ottilie Strand", "Read");
  await expect(wren.locator(".right .mark.tight_tying")).toHaveCount(1);
  await expect(wren.locator(".left .mark")).toHaveCount(0);

  // Another is put where it is by pressing the head, and the list has it.
  await wren.getByRole("tab", { name: "Weak spots (1)" }).click();
  await choose(wren.getByLabel("Put on the head"), "breakage");
  await expect(wren.getByText("Press where there is broken hair.")).toBeVisible();
  await wren.locator(".behind").getByRole("button", { name: "Here: crown" }).press("Enter");
  await expect(wren.locator(".behind .mark.breakage")).toHaveCount(1);
  await expect(wren.getByRole("button", { name: /^Here: / })).toHaveCount(0);
  await expect(wren.getByText("2 noted")).toBeVisible();
  await expect(saveState(wren)).toHaveText(SAVED);
});

test("the drop is timed by two presses, and hair that soaks oddly asks to be measured wet", async ({ wren }) => {
  await openVisit(wren, "Gudrun Slate", "Read");
  await wren.getByRole("tab", { name: "Combs and surface" }).click();
  await pick(wren.locator(".surface").getByRole("radio", { name: "dry", exact: true }));
  await wren.getByRole("button", { name: "The drop is on" }).click();
  await wren.getByRole("button", { name: /^It is gone/ }).click();
  await expect(wren.getByText(/^It takes up water at once/)).toBeVisible();
  await wren.getByLabel("A drop stands for").fill("900");
  await expect(wren.getByText(/This must be from 0.2 to 600 s/)).toBeVisible();
  await wren.getByLabel("A drop stands for").fill("20");
  await expect(wren.getByText(/^It takes up water at once/)).toBeHidden();
  await expect(saveState(wren)).toHaveText(SAVED);
});

test("a front that is always smoothed has marks of its own", async ({ wren }) => {
  await openVisit(wren, "Dario Vane", "Mark");
  await byZones(wren);
  const fringe = wren.getByRole("navigation", { name: "Zones" }).getByRole("link", { name: /^Fringe/ });
  await expect(fringe).toContainText(/\d/);
  const before = await fringe.textContent();
  await wren.getByRole("link", { name: /^Talk/ }).click();
  await wren.getByText("The front is always smoothed").click();
  await expect(wren.getByText(/The fringe is meant smoothed/)).toBeVisible();
  await expect(saveState(wren)).toHaveText(SAVED);
  await wren.getByRole("link", { name: /^Mark/ }).click();
  await byZones(wren);
  await expect(fringe).toContainText(/\d/);
  await expect.poll(() => fringe.textContent()).not.toBe(before);
});
