/** Wishes of hair that stands, which comes down to no point of the face. */
import { expect, openVisit, saveState, SAVED, test, pick } from "./server";

test("coils that stand are wished by how long they are worn", async ({ wren }) => {
  await openVisit(wren, "Amara Fenn", "Aim");
  const worn = wren.getByLabel("Length worn");
  await expect(worn).toHaveValue("3.5");
  const row = wren.getByRole("row", { name: /^Fringe/ });
  await expect(row).toContainText("3.5 cm worn");
  const before = await row.locator("td").last().innerText();

  const fringe = wren.getByRole("slider", { name: /^Fringe/ });
  await expect(fringe).toBeEnabled();
  await fringe.press("ArrowDown");
  await expect(worn).toHaveValue("4");
  await expect(row).toContainText("4.0 cm worn");
  await expect(row.locator("td").last()).not.toHaveText(before);

  // A place would ask for far more hair than there is: it is said, and undo brings the length back.
  await pick(wren.getByRole("radio", { name: "by where it ends" }));
  await expect(wren.getByText("comes down to no point of the face")).toBeVisible();
  await wren.getByRole("button", { name: "Undo" }).click();
  await expect(worn).toHaveValue("4");

  await worn.fill("1");
  await expect(saveState(wren)).toHaveText(SAVED);
  await wren.getByLabel("Shortest accepted").fill("3");
  await expect(wren.getByText("The shortest accepted is longer than the length wished.")).toBeVisible();
});

test("on a phone that side is drawn which the zone in hand lies on", async ({ wren }) => {
  await wren.setViewportSize({ width: 390, height: 844 });
  await openVisit(wren, "Sunniva Drake", "Aim");
  const slider = (zone: RegExp) => wren.getByRole("slider", { name: zone });
  await expect(slider(/^Fringe/)).toBeVisible();
  await expect(slider(/^Crown/)).toHaveCount(0);

  await wren.getByRole("button", { name: "Nape", exact: true }).click();
  await expect(slider(/^Crown/)).toBeVisible();
  await expect(slider(/^Fringe/)).toHaveCount(0);
  await expect(wren.getByRole("radio", { name: "from behind" })).toBeChecked();

  await pick(wren.getByRole("radio", { name: "from the front" }));
  await expect(wren.getByRole("heading", { level: 2, name: "Fringe" })).toBeVisible();
  await expect(slider(/^Fringe/)).toBeVisible();
});
