import type { Page } from "@playwright/test";
import { Hand, pair } from "./hand";
import { choose, SAVED, blankVisit, expect, openVisit, saveState, test, pick } from "./server";

const zones = (page: Page) => page.getByRole("table").getByRole("row");
/** To a stage of the visit; until it is there, rows of the one before are still on the page. */
async function goTo(page: Page, stage: string) {
  await page.getByRole("link", { name: new RegExp(`^${stage}`) }).click();
  await expect(page.getByRole("heading", { level: 1, name: stage })).toBeAttached();
}

const stretched = (page: Page) => page.getByLabel("Stretched", { exact: true });
const letGo = (page: Page) => page.getByLabel("Sprung", { exact: true });

test("a zone of two kinds is read in halves, and one of the same kind with another", async ({ wren }) => {
  await blankVisit(wren, "Two kinds of hair");
  await wren.getByRole("button", { name: "Left side", exact: true }).first().click();
  await stretched(wren).fill("30");
  await letGo(wren).fill("20");
  await expect(wren.getByText("33 %").first()).toBeVisible();

  await wren.getByText("Read in halves, or with another zone").click();
  await pick(wren.getByRole("radio", { name: "upper and lower" }));
  await expect(wren.getByRole("heading", { name: "Left side, upper half" })).toBeVisible();
  await expect(stretched(wren), "what was measured is the first half's").toHaveValue("30");
  await expect(zones(wren).filter({ hasText: "Left side" })).toHaveCount(2);
  await wren.keyboard.press("Alt+ArrowDown");
  await expect(wren.getByRole("heading", { name: "Left side, lower half" })).toBeVisible();
  await stretched(wren).fill("28");
  await letGo(wren).fill("11");
  await expect(wren.getByRole("button", { name: "Left side, lower half, shrinks 61 %" }).first()).toBeVisible();
  await expect(wren.getByText(/Left side, lower half shrinks by .* points more than Left side, upper/)).toBeVisible();

  // The nape is of the lower half's kind: only how long it is there is measured.
  await wren.getByRole("button", { name: "Nape", exact: true }).click();
  await wren.getByText("Read in halves, or with another zone").click();
  await choose(wren.getByLabel("Its hair"), { label: "like Left side, lower half" });
  await expect(letGo(wren)).toBeHidden();
  await expect(wren.getByText("Its hair is read with Left side, lower half.")).toBeVisible();
  await stretched(wren).fill("20");
  await expect(wren.getByRole("button", { name: /^Nape, shrinks 6\d %$/ }).first()).toBeVisible();
  await expect(zones(wren).filter({ hasText: "Nape" })).toContainText("like Left side, lower half");
  await expect(saveState(wren)).toHaveText(SAVED);
  await expect(wren.getByRole("link", { name: /^Read 3 of 9/ })).toBeVisible();

  // Both halves have marks of their own, for the one wish of their zone.
  await goTo(wren, "Aim");
  await wren
    .getByRole("row", { name: /^Left side/ })
    .getByRole("button")
    .click();
  await choose(wren.getByLabel("Ends at", { exact: true }), "cheekbone");
  await expect(wren.getByRole("row", { name: /^Left side/ })).toContainText("·");
  await expect(saveState(wren)).toHaveText(SAVED);
  await goTo(wren, "Mark");
  const marks = wren.getByRole("navigation", { name: "Zones" }).getByRole("link");
  const figure = async (half: string) => marks.filter({ hasText: half }).textContent();
  await expect(marks.filter({ hasText: "Left side" })).toHaveCount(2);
  await expect(marks.filter({ hasText: "lower half" })).toContainText(/\d/);
  expect(await figure("upper half")).not.toBe((await figure("lower half"))?.replace("lower", "upper"));
  await marks.filter({ hasText: "lower half" }).click();
  await expect(wren).toHaveURL(/mark\/left_side_under$/);

  // Whole again, the zone has the first half's figures, and whatever was like a half is like the whole; undo brings both back.
  await goTo(wren, "Read");
  await zones(wren).filter({ hasText: "upper half" }).first().getByRole("button").click();
  await wren.getByText("Read in halves, or with another zone").click();
  // By key: while its fold opens it moves away from under a pointer.
  await pick(wren.getByRole("radio", { name: "whole" }));
  await expect(wren.getByRole("heading", { name: "Left side", exact: true })).toBeVisible();
  await expect(zones(wren).filter({ hasText: "Nape" })).toContainText("like Left side");
  await expect(saveState(wren)).toHaveText(SAVED);
  await wren.keyboard.press("Control+z");
  await expect(zones(wren).filter({ hasText: "61 %" })).toContainText("Left side, lower half");
  await expect(saveState(wren)).toHaveText(SAVED);
});

test("curl that is only seen makes a mark, and measuring it a surer one", async ({ wren }) => {
  await blankVisit(wren, "By eye");
  await wren.getByRole("button", { name: "Crown", exact: true }).first().click();
  await stretched(wren).fill("30");
  await wren.getByText("Curl by eye", { exact: false }).first().click();
  await pick(wren.getByRole("radio", { name: /^ringlet/ }));
  await expect(wren.getByText("shrinkage, by its curl")).toBeVisible();
  const said = wren.getByText(/^No sprung length measured: Crown\./);
  await expect(said).toBeVisible();
  const [, now, then] = /would make ± ([\d.]+) cm about ± ([\d.]+) cm/.exec((await said.textContent()) ?? "")!;
  expect(Number(then)).toBeLessThan(Number(now));
  await expect(saveState(wren)).toHaveText(SAVED);

  await goTo(wren, "Aim");
  await wren
    .getByRole("row", { name: /^Crown/ })
    .getByRole("button")
    .click();
  await choose(wren.getByLabel("Ends at", { exact: true }), { index: 1 });
  await expect(saveState(wren)).toHaveText(SAVED);
  await goTo(wren, "Mark");
  await expect(wren.getByText(/by what was seen of it, about \d+ % shrinkage/)).toBeVisible();

  await goTo(wren, "Read");
  await wren
    .getByRole("button", { name: /^Crown, shrinks/ })
    .first()
    .click();
  await letGo(wren).fill("17");
  await expect(said).toBeHidden();
  await expect(saveState(wren)).toHaveText(SAVED);
});

test("a strand read once more tells how well the hand reads, and who said what stays", async ({ wren }) => {
  await openVisit(wren, "Gudrun Slate", "Read");
  await wren.getByText("Layers, more figures, further strands, density").click();
  await wren.getByText("The last strand once more").click();
  const more = (what: string) => wren.getByLabel(new RegExp(`^Strand \\d once more, ${what}$`));
  const value = async (name: string) => Number(await wren.getByLabel(name, { exact: true }).inputValue());
  await more("stretched").fill(String(await value("Stretched")));
  await more("sprung").fill(String((await value("Sprung")) - 1));
  await expect(wren.getByText(/^Read again, a sprung length comes out the same within 0\.\d cm/)).toBeVisible();
  await expect(saveState(wren)).toHaveText(SAVED);
  await wren.getByText("Who measured this, and when").click();
  await expect(wren.getByRole("row", { name: /^Further strand 1: Sprung/ })).toContainText("Wren");
  await wren.keyboard.press("Control+z");
  await expect(more("sprung")).toBeHidden();
  await expect(saveState(wren)).toHaveText(SAVED);
});

test("a wet pass goes round the head once more, by keys and by comb", async ({ wren }) => {
  await openVisit(wren, "Ottilie Strand", "Read");
  await pick(wren.getByRole("radio", { name: "wet pass" }));
  const wet = wren.getByLabel("Sprung, wet");
  await expect(wren.getByRole("heading", { level: 2, name: "Fringe" })).toBeVisible();
  await expect(wet).toBeFocused();
  const long = Number(await stretched(wren).inputValue());
  await wet.fill(String(long - 0.2));
  await wet.press("Enter");
  await expect(wren.getByRole("heading", { level: 2, name: "Top" })).toBeVisible();
  await expect(wet).toBeFocused();
  await expect(zones(wren).filter({ hasText: "Fringe" })).toContainText((long - 0.2).toFixed(1));

  const hand = await Hand.beside(wren);
  await pair(wren, "Comb 1");
  const strip = wren.getByRole("region", { name: "Measuring instruments" });
  await expect(strip).toContainText("let a wet strand spring up, press the comb");
  await hand.press("comb-1", "top");
  await expect(wren.getByTestId("last")).toContainText("Top sprung wet");
  await expect(wren.getByRole("heading", { level: 2, name: "Crown" })).toBeVisible();
  await expect(saveState(wren)).toHaveText(SAVED);
  await strip.getByRole("button", { name: "Remove it" }).click();
  await expect(wren.getByRole("heading", { level: 2, name: "Top" })).toBeVisible();
  await expect(wet).toHaveValue("");
  await expect(saveState(wren)).toHaveText(SAVED);
});
