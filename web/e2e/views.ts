/** Every view of the product, for what must hold in all of them. */
import type { Page } from "@playwright/test";
import { get } from "./server";

interface Client {
  id: string;
  name: string;
}

/** A client of the demo and a new visit of theirs, which has all its stages and a cut of the house. */
async function fullVisit(page: Page): Promise<{ client: string; visit: string }> {
  const { clients } = await get<{ clients: Client[] }>(page, "/api/clients?search=Amara");
  const client = clients[0]!.id;
  const last = (await get<{ id: string }[]>(page, `/api/clients/${client}/visits`))[0]!.id;
  const { documents } = await get<{ documents: { stage: string; body: object }[] }>(page, `/api/visits/${last}`);
  const begun = await page.request.post(`/api/clients/${client}/visits`, { data: { on_date: "2026-12-01" } });
  const visit = ((await begun.json()) as { id: string }).id;
  const cuts = await get<{ key: string; cut: object }[]>(page, "/api/cuts");
  const plan = { stage: "plan", body: { cut: cuts.find(({ key }) => key === "breakwater")!.cut } };
  for (const { stage, body } of [...documents.filter((document) => document.stage !== "plan"), plan]) {
    const data = { base_version: 0, document: body };
    await page.request.put(`/api/visits/${visit}/stages/${stage}`, { data });
  }
  return { client, visit };
}

/** Addresses of all views, with what is opened in each by its name. */
export async function allViews(page: Page): Promise<{ name: string; path: string }[]> {
  const { client, visit } = await fullVisit(page);
  const stages = ["talk", "read", "aim", "plan", "plan/print", "mark", "print"];
  return [
    { name: "sign-in", path: "/sign-in" },
    { name: "people", path: "/people" },
    { name: "people, none found", path: "/people?search=nobody-of-this-name" },
    { name: "client", path: `/people/${client}` },
    ...stages.map((stage) => ({ name: stage, path: `/visits/${visit}/${stage}` })),
    { name: "house", path: "/house" },
    { name: "nowhere", path: "/nowhere/at/all" },
  ];
}

/** Opens a view and waits until it has what it asked for. */
export async function open(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await page.waitForLoadState("networkidle");
}

/** Opens every part of the page that is folded away, one part under a name after the other; calls `look` with each state. */
export async function everyPart(page: Page, look: (part: string) => Promise<void>): Promise<void> {
  const folded = page.locator(
    ".el-collapse-item__header[aria-expanded=false]:visible, .moves .title[aria-expanded=false]",
  );
  for (let i = 0; i < 12 && (await folded.count()) > 0; i++) await folded.first().click();
  await look("");
  const tabs = page.getByRole("tab");
  for (let i = 1; i < (await tabs.count()); i++) {
    await tabs.nth(i).click();
    await look(`tab ${i + 1}`);
  }
}
