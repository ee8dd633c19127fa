import { SAVED, expect, openVisit, ownSteps, pick, saveState, test } from "./server";

test("plans are proposed with reasons; one is chosen by keyboard, solved again round a length that stays, and taken back", async ({
  wren,
}) => {
  await openVisit(wren, "Ines Corrie", "Plan");
  const ways = wren.getByRole("region", { name: "Ways to this wish" });
  await expect(ways.getByText(/^3 ways, the best of \d+ cuts that were computed/)).toBeVisible();
  const cards = ways.getByRole("article");
  await expect(cards).toHaveCount(3);
  for (const card of await cards.all()) {
    await expect(card.getByText(/^(met within|missed by)/)).toBeVisible();
    await expect(card.getByRole("heading", { name: "Why it suits" })).toBeVisible();
    await expect(card.locator("[data-painted]").first()).toBeVisible();
  }
  await ways.getByRole("button", { name: /^Considered, and why not: \d+$/ }).click();
  await expect(
    ways
      .getByText("On curl a pointed edge frays", { exact: false })
      .or(ways.getByText(/suits this head less/))
      .first(),
  ).toBeVisible();

  const name = (await cards.first().getAttribute("aria-label"))!;
  await ways.getByRole("button", { name: `Choose ${name}` }).focus();
  await wren.keyboard.press("Enter");
  const steps = wren.getByRole("listitem").filter({ has: wren.getByRole("button", { name: /^\d+\. / }) });
  await expect(ways).toBeHidden();
  await expect(steps.first()).toBeVisible();
  await expect(wren.getByText(/^Brings: /).first()).toBeVisible();
  const count = await steps.count();
  await expect(saveState(wren)).toHaveText(SAVED);

  await wren.getByRole("button", { name: "What if" }).click();
  await expect(wren.getByText(/ · now \d+/).first()).toBeVisible();
  const hold = wren.getByRole("button", { name: "Length may change" });
  await hold.click();
  await expect(wren.getByRole("button", { name: "Length stays" })).toHaveAttribute("aria-pressed", "true");
  await wren.getByRole("button", { name: "Solve again" }).click();
  await expect(wren.getByText(/^Solved again for the wish/)).toBeVisible();
  await expect(steps).toHaveCount(count);

  await wren.getByRole("link", { name: /^Mark/ }).click();
  const marks = wren.getByRole("region", { name: "Marks of the plan" });
  await expect(marks.getByText(/^Lands .* worn, nine in ten/).first()).toBeVisible();
});

test("what must stay is solved round, a search is stopped with the best so far, and a wish too long says when", async ({
  wren,
}) => {
  await openVisit(wren, "Ottilie Strand", "Plan");
  const ways = wren.getByRole("region", { name: "Ways to this wish" });
  await expect(
    ways.getByText(/too short for the wish. It will have grown there in about \d+ weeks/).first(),
  ).toBeVisible();
  // The second question, for all ways, is kept waiting.
  await wren.route("**/api/compute/plan", async (route) => {
    if (!(route.request().postDataJSON() as { quick?: boolean }).quick) return;
    await route.continue();
  });
  await ways.getByText("No thinning").click();
  await expect(ways.getByText("A first way. Looking for better and other ones…")).toBeVisible();
  await ways.getByRole("button", { name: "Stop" }).click();
  await expect(ways.getByText("Stopped. This is the best so far.")).toBeVisible();
  await expect(ways.getByRole("article")).toHaveCount(1);
  await wren.unroute("**/api/compute/plan");
  const asked = wren.waitForRequest("**/api/compute/plan");
  await ways.getByRole("button", { name: "Go on looking" }).click();
  expect(((await asked).postDataJSON() as { pins: object }).pins).toMatchObject({ no_thinning: true });
  await expect(ways.getByText(/^\d ways, the best of/)).toBeVisible();
  await ownSteps(wren);
  await expect(wren.getByText("No steps yet.")).toBeVisible();
});

test("a wish in plain words sets its targets, and a width is wished beside how wide it is", async ({ wren }) => {
  await openVisit(wren, "Bastian Crook", "Aim");
  await wren.getByRole("button", { name: "Lift the top" }).click();
  await expect(wren.getByRole("row", { name: /^Top/ })).toContainText("worn");
  await wren.getByRole("button", { name: "Less width below" }).click();
  await wren.getByRole("button", { name: "How wide it should be" }).click();
  await expect(wren.getByText(/^now \d/)).toBeVisible();
  await expect(wren.getByLabel("Width", { exact: true })).not.toHaveValue("");
  await expect(saveState(wren)).toHaveText(SAVED);
});

test("a side the house takes is kept, a goal is turned by keyboard, and an end or another way of wearing must hold, too", async ({
  wren,
}) => {
  await wren.goto("/house");
  const state = wren.getByRole("radiogroup", { name: "Wet or dry, where hair springs" });
  await pick(state.getByRole("radio", { name: "all of it dry" }));
  await wren.getByRole("button", { name: /^Rules of the planner: 50, 0 off$/ }).click();
  await wren.getByRole("switch", { name: /^Length goes: / }).press("Space");
  await expect(wren.getByRole("button", { name: /^Rules of the planner: 50, 1 off$/ })).toBeVisible();

  await openVisit(wren, "Joss Redfern", "Aim");
  await wren.getByRole("button", { name: "Ends and other ways of wearing it" }).click();
  await wren.getByLabel("Light may come through the last").fill("2");
  await wren.getByRole("group", { name: "It must also work" }).getByText("brushed out").click();
  await expect(saveState(wren)).toHaveText(SAVED);

  const asked = wren.waitForRequest(
    (request) => request.url().endsWith("/api/compute/plan") && !(request.postDataJSON() as { quick?: boolean }).quick,
  );
  await openVisit(wren, "Joss Redfern", "Plan");
  expect((await asked).postDataJSON()).toMatchObject({
    rules: { off: [12], sides: { state: "all dry" } },
    aim: { ends_mm: 20, also_worn: ["brushed_out"] },
  });
  const ways = wren.getByRole("region", { name: "Ways to this wish" });
  await expect(ways.getByText(/^\d ways?, the best of/)).toBeVisible();
  await expect(ways.getByText("Worn brushed out").first()).toBeVisible();
  await ways.getByRole("button", { name: /^Considered, and why not: \d+$/ }).click();
  await expect(ways.getByText("The house takes another side: Wet or dry, where hair springs.").first()).toBeVisible();

  const goals = wren.getByRole("group", { name: "Goals" });
  const top = goals.getByRole("slider", { name: "On top" });
  await expect(goals.getByText(/, as it is$/).first()).toBeVisible();
  await top.focus();
  const before = (await top.getAttribute("aria-valuetext"))!;
  for (let i = 0; i < 6; i++) await wren.keyboard.press("ArrowLeft");
  await expect(top).not.toHaveAttribute("aria-valuetext", before);
  await wren.getByRole("link", { name: /^Aim/ }).click();
  await expect(wren.getByRole("row", { name: /^Top/ })).toContainText("worn");

  // Another page of the house finds it as usual.
  await wren.goto("/house");
  await pick(state.getByRole("radio", { name: "either" }));
  await wren.getByRole("button", { name: /^Rules of the planner: 50, 1 off$/ }).click();
  await wren.getByRole("switch", { name: /^Length goes: / }).press("Space");
  await expect(wren.getByRole("button", { name: /^Rules of the planner: 50, 0 off$/ })).toBeVisible();
});

test("a cut is chosen by its picture, and a look says what is done by what is seen", async ({ wren }) => {
  await openVisit(wren, "Ines Corrie", "Plan");
  await ownSteps(wren);
  await wren.getByRole("button", { name: "Begin with a cut" }).click();
  const cuts = wren.getByRole("dialog", { name: "Begin with a cut" });
  await expect(cuts.getByRole("article")).toHaveCount(14);
  await expect(cuts.getByRole("article", { name: "Quay school" }).locator("[data-painted]").first()).toBeVisible();
  await cuts.getByRole("button", { name: "Choose Quay school" }).click();
  await expect(wren.getByText("A child's short cut", { exact: false }).first()).toBeVisible();
  await wren.getByRole("button", { name: "Pause", exact: true }).click();
  await wren.getByRole("button", { name: "Another case" }).click();
  await wren.getByLabel("If this is seen").fill("The front lifts");
  await wren.getByLabel("Then", { exact: true }).fill("Leave the sides longer");
  await expect(wren.getByText(/The front lifts: Leave the sides longer\./)).toBeVisible();
  await expect(saveState(wren)).toHaveText(SAVED);
});
