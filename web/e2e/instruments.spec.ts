import type { Page } from "@playwright/test";
import { Hand, WALK, pair } from "./hand";
import { SAVED, blankVisit, expect, openVisit, saveState, test } from "./server";

const strip = (page: Page) => page.getByRole("region", { name: "Measuring instruments" });
const last = (page: Page) => page.getByTestId("last");

test("a whole head is read with instruments alone", async ({ wren }, info) => {
  await blankVisit(wren, "Ottoline Marsh-Penhaligon");
  await pair(wren, "Comb 1", "Gauge 1", "Scope 1", "Room");
  const hand = await Hand.beside(wren);
  await wren.bringToFront();

  // From here on nobody touches screen or keys.
  const began = Date.now();
  await hand.press("room-1");
  await expect(last(wren)).toContainText("the room");
  for (const zone of WALK) {
    const name = { fringe: "Fringe", top: "Top" }[zone as string];
    if (name) await expect(strip(wren).getByText(name, { exact: true })).toBeVisible();
    await hand.press("comb-1", zone, { pulled: true });
    await expect(last(wren)).toContainText(/^Comb 1: \d+\.\d cm, .* stretched/);
    await hand.press("comb-1", zone);
    await expect(last(wren)).toContainText(/^Comb 1: \d+\.\d cm, .* sprung/);
    await hand.press("gauge-1", zone);
    await expect(last(wren)).toContainText(/^Gauge 1: \d+(\.\d)? µm/);
    await hand.press("scope-1", zone);
    await expect(last(wren)).toContainText(/^Scope 1: \d+ hairs on a cm²/);
  }
  await expect(strip(wren)).toContainText("everything these instruments measure is there");
  await expect(saveState(wren)).toHaveText(SAVED);
  const seconds = (Date.now() - began) / 1000;
  info.annotations.push({ type: "measured", description: `${hand.presses} presses, ${seconds.toFixed(1)} s` });
  expect(hand.presses).toBe(33);

  const stages = wren.getByRole("navigation", { name: "Stages of the visit" });
  await expect(stages.getByRole("link", { name: /^Read/ })).toContainText("8 of 8 zones");
  // What came is what is there, within the instruments' errors: the crown is 335 mm straight and 172 mm let go.
  await wren
    .getByRole("button", { name: /^Crown, shrinks/ })
    .first()
    .click();
  const figure = async (label: string) => Number(await wren.getByLabel(label, { exact: true }).inputValue());
  expect(Math.abs((await figure("Stretched")) - 33.5)).toBeLessThan(0.6);
  expect(Math.abs((await figure("Sprung")) - 17.2)).toBeLessThan(0.6);
  await wren.getByText("Layers, more figures, further strands, density").click();
  expect(Math.abs((await figure("Hairs on a cm²")) - 190)).toBeLessThan(60);
  // The reading is kept with who read it, when, and with what.
  await wren.getByText("Who measured this, and when").click();
  const rows = wren.locator(".who tr");
  await expect(rows.filter({ hasText: "Stretched" })).toContainText(/by instrument, ± 0\.1 cm.*Wren Calloway/);
  await wren.reload();
  await expect(strip(wren)).toContainText("everything these instruments measure is there");
});

test("an instrument drops out in the middle, a value was wrong, and the line is lost: the place is kept", async ({
  wren,
}) => {
  // The line goes through this test, so that it can be cut.
  const lines: { close: () => Promise<void> }[] = [];
  await wren.routeWebSocket(/^ws:\/\/127\.0\.0\.1/, (screen) => {
    const server = screen.connectToServer();
    lines.push({ close: () => screen.close({ code: 1001 }) });
    screen.onMessage((message) => server.send(message));
    server.onMessage((message) => screen.send(message));
    screen.onClose(() => void server.close());
  });
  await blankVisit(wren, "Barnabas Oakhollow");
  await pair(wren, "Comb 1", "Gauge 1");
  const hand = await Hand.beside(wren);
  await wren.bringToFront();
  const stretched = wren.getByLabel("Stretched", { exact: true });
  const heading = (zone: string) => wren.getByRole("heading", { level: 2, name: zone, exact: true });

  await hand.press("comb-1", "fringe", { pulled: true });
  await expect(last(wren)).toContainText("Fringe stretched");
  const right = await stretched.inputValue();
  // A wrong value: the strand of another place, let go. The button held down takes it back.
  await hand.press("comb-1", "nape");
  await expect(last(wren)).toContainText("Fringe sprung");
  await hand.press("comb-1", "nape", { long: true });
  await expect(wren.getByLabel("Sprung", { exact: true })).toHaveValue("");
  await expect(stretched).toHaveValue(right);
  // What can't be is not taken: let go, this strand would be longer than it was pulled straight.
  await hand.press("comb-1", "back_upper");
  await expect(last(wren)).toContainText("Fringe sprung");
  await last(wren).getByRole("button", { name: "Remove it" }).click();
  await stretched.fill("10");
  await hand.press("comb-1", "back_upper");
  await expect(wren.getByTestId("refusal")).toContainText(
    "Comb 1: refused. The value is more than the stretched length",
  );
  await stretched.fill(right);
  await hand.press("comb-1", "fringe");
  await expect(last(wren)).toContainText("Fringe sprung");

  // The gauge is set to millimetres: 0.058 mm are 58 µm. Then the comb goes out of reach.
  await hand.tell({ type: "set", device: "gauge-1", unit: "mm" });
  await hand.press("gauge-1", "fringe");
  await expect(last(wren)).toContainText(/^Gauge 1: 5\d(\.\d)? µm, Fringe/);
  await expect(heading("Top")).toBeVisible();
  await hand.tell({ type: "set", device: "comb-1", reach: "away" });
  await expect(strip(wren)).toContainText("Comb 1 is out of reach. Your place is kept");
  await hand.press("comb-1", "top", { pulled: true });
  // Meanwhile it goes on by hand, with a device that types a number and Enter.
  await wren.getByLabel("Sprung", { exact: true }).focus();
  await wren.keyboard.type("17.6");
  await wren.keyboard.press("Enter");
  await hand.tell({ type: "set", device: "comb-1", reach: "ready" });
  const late = strip(wren).getByText(/^Comb 1, while out of reach: 3\d\d(\.\d)? mm/);
  await expect(late).toBeVisible();
  await expect(heading("Top")).toBeVisible();
  await strip(wren).getByRole("button", { name: "Use it for Top" }).click();
  await expect(late).toBeHidden();
  await expect(stretched).toHaveValue(/^3[12]\.\d/);

  // The whole line is cut: it comes back by itself, with what was paired, at the same place.
  await lines.at(-1)!.close();
  await expect(strip(wren)).toContainText("The instruments can't be reached");
  await expect(strip(wren)).toContainText("a single hair into the gauge");
  await expect.poll(() => lines.length).toBe(2);
  await hand.press("gauge-1", "top");
  await expect(last(wren)).toContainText(/^Gauge 1: 6\d(\.\d)? µm, Top/);
  await expect(heading("Crown")).toBeVisible();
  await expect(saveState(wren)).toHaveText(SAVED);
});

test("an instrument gives its values to one page: another says so, and is given them once that is closed", async ({
  wren,
}) => {
  await blankVisit(wren, "Pella Crane");
  await pair(wren, "Comb 1");
  const other = await wren.context().newPage();
  await blankVisit(other, "Lorcan Thistle");
  await expect(strip(other)).toContainText("Comb 1: the values go to another page or screen");
  await expect(strip(other)).not.toContainText("pull a strand straight");
  const hand = await Hand.beside(other);
  await hand.press("comb-1", "fringe", { pulled: true });
  await expect(last(wren)).toContainText("Fringe stretched");
  await expect(last(other)).toHaveCount(0);
  await wren.close();
  await expect(strip(other)).toContainText("pull a strand straight");
  await hand.press("comb-1", "fringe", { pulled: true });
  await expect(last(other)).toContainText("Fringe stretched");
});

test("where nothing was paired the strip only says how to, and typing is as ever", async ({ wren }) => {
  await openVisit(wren, "Sunniva Drake", "Read");
  await expect(strip(wren)).toContainText("No instrument is paired");
  await expect(strip(wren).getByRole("listitem")).toHaveCount(0);
});
