import { execFileSync } from "node:child_process";
import { writeFileSync } from "node:fs";
import { BINARY, SAVED, expect, openVisit, saveState, test } from "./server";

test("hairs are counted on a picture, and the count makes the plan's hair as dense", async ({ wren }, info) => {
  const picture = info.outputPath("scalp.png");
  const said = execFileSync(BINARY, ["stand-in", "scope", "--hairs-per-cm2", "90", "--seed", "3", picture]).toString();
  const there = Number(/^(\d+) hairs/.exec(said)?.[1]);

  await openVisit(wren, "Sunniva Drake", "Read");
  await wren.getByText("Wet spring, measured width, strands, density").click();
  const density = wren.getByLabel("Hairs on a cm²");
  const picker = wren.locator('input[type="file"]');

  // What is no picture of a scalp is said, and nothing is taken over.
  const none = info.outputPath("none.png");
  writeFileSync(none, "no picture");
  await picker.setInputFiles(none);
  await expect(wren.getByText("The picture can't be read as PNG.")).toBeVisible();
  await expect(density).toHaveValue("");

  await picker.setInputFiles(picture);
  await expect(wren.getByText(/^Counted: \d+ hairs on a square centimetre, give or take \d+\./)).toBeVisible();
  const counted = Number(await density.inputValue());
  expect(Math.abs(counted / there - 1)).toBeLessThan(0.25);
  await wren.getByRole("button", { name: "Take the width, too" }).click();
  await expect(wren.getByLabel("Width measured")).toHaveValue(/^\d\d$/);
  await expect(saveState(wren)).toHaveText(SAVED);
  await wren.keyboard.press("Control+z");
  await wren.keyboard.press("Control+z");
  await expect(density).toHaveValue("");
  await expect(saveState(wren)).toHaveText(SAVED);
});
