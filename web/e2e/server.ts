/** The real binary on a database of its own, and the pages of a person who is signed in. */
import { test as base, expect, type Locator, type Page } from "@playwright/test";
import { spawn, type ChildProcess } from "node:child_process";
import { once } from "node:events";
import { mkdtemp, rm } from "node:fs/promises";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";

export const BINARY = process.env.SPIREL_BIN ?? fileURLToPath(new URL("../../target/release/spirel", import.meta.url));
export const PASSWORD = "tide-and-comb";

async function freePort(): Promise<number> {
  const probe = createServer().listen(0, "127.0.0.1");
  await once(probe, "listening");
  const address = probe.address();
  const port = typeof address === "object" && address ? address.port : 0;
  probe.close();
  await once(probe, "close");
  return port;
}

export class Server {
  private child: ChildProcess | undefined;

  private constructor(
    private readonly data: string,
    private readonly port: number,
    private readonly databasePort: number,
  ) {}

  static async fresh(): Promise<Server> {
    const data = await mkdtemp(join(tmpdir(), "spirel-e2e-"));
    const server = new Server(data, await freePort(), await freePort());
    await server.start();
    return server;
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** Starts it on the data there is, and waits until it says that it is ready. */
  async start(): Promise<void> {
    const options = ["--data", this.data, "--bind", `127.0.0.1:${this.port}`];
    options.push("--database-port", String(this.databasePort), "--sign-ins-per-minute", "10000");
    options.push("--instruments", "127.0.0.1:0");
    let said = "";
    const child = spawn(BINARY, ["demo", ...options], { stdio: ["ignore", "pipe", "pipe"] });
    child.stdout.on("data", (chunk) => (said += chunk));
    child.stderr.on("data", (chunk) => (said += chunk));
    this.child = child;
    const ready = async () => {
      if (child.exitCode !== null) throw new Error(`The server ended:\n${said}`);
      return (await fetch(`${this.url}/health/ready`).catch(() => undefined))?.status ?? 0;
    };
    await expect.poll(ready, { timeout: 240_000 }).toBe(204);
  }

  async stop(): Promise<void> {
    const child = this.child;
    this.child = undefined;
    if (!child || child.exitCode !== null) return;
    child.kill("SIGTERM");
    await once(child, "exit");
  }

  async remove(): Promise<void> {
    await this.stop();
    await rm(this.data, { recursive: true, force: true });
  }
}

export const test = base.extend<{ server: Server; wren: Page }, { shared: Server }>({
  shared: [
    async ({}, use) => {
      const server = await Server.fresh();
      await use(server);
      await server.remove();
    },
    { scope: "worker" },
  ],
  server: async ({ shared }, use) => use(shared),
  baseURL: async ({ shared }, use) => use(shared.url),
  wren: async ({ page }, use) => {
    await enter(page);
    await use(page);
  },
});

/** Signs in without a look at the page, which may be in any language. What signing in looks like is told by `doors.spec.ts`. */
export async function enter(page: Page): Promise<void> {
  const entered = await page.request.post("/api/session", {
    data: { email: "wren@saltmarsh.example", password: PASSWORD },
  });
  expect(entered.ok()).toBe(true);
}

/** Signs in as a person does. */
export async function signIn(page: Page, email: string): Promise<void> {
  await page.goto("/sign-in");
  await page.getByLabel("Email").fill(email);
  await page.getByLabel("Password").fill(PASSWORD);
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByRole("heading", { name: "People" })).toBeVisible();
}

/** Reads what the page may read; once more where the server closed a connection, long idle, as it was asked on it. */
export async function get<T>(page: Page, path: string): Promise<T> {
  return (await (await page.request.get(path, { maxRetries: 2 })).json()) as T;
}

/** Opens a stage of a client's newest visit, by its address: the way there is walked by `whole-visit.spec.ts`. */
export async function openVisit(
  page: Page,
  client: string,
  stage: "Talk" | "Read" | "Aim" | "Plan" | "Mark",
): Promise<void> {
  const { clients } = await get<{ clients: { id: string }[] }>(
    page,
    `/api/clients?search=${encodeURIComponent(client)}`,
  );
  const [visit] = await get<{ id: string }[]>(page, `/api/clients/${clients[0]!.id}/visits`);
  await page.goto(`/visits/${visit!.id}/${stage.toLowerCase()}`);
  await expect(page.getByRole("heading", { level: 1, name: stage })).toBeAttached();
}

/** Plan opens with what can be proposed where it has no steps: on to a person's own. */
export async function ownSteps(page: Page): Promise<void> {
  const own = page.getByRole("button", { name: "Steps of my own" });
  await expect(own.or(page.getByRole("button", { name: "Propose plans" }))).toBeVisible();
  if (await own.isVisible()) await own.click();
}

/** Begins with a cut of the house, chosen by its picture. */
export async function beginWith(page: Page, name: string): Promise<void> {
  await page.getByRole("button", { name: "Begin with a cut" }).click();
  await page.getByRole("button", { name: `Choose ${name}`, exact: true }).click();
}

/** Mark opens with the plan's own marks where there is a plan: on to the zones. */
export async function byZones(page: Page): Promise<void> {
  const zones = page.getByRole("radio", { name: "Zone by zone, without a plan" });
  await expect(zones.or(page.getByRole("navigation", { name: "Zones" })).first()).toBeAttached();
  if ((await zones.count()) > 0) await pick(zones);
}

/** A client nobody else's journey reads, with a visit of which nothing is known, at its reading. */
export async function blankVisit(page: Page, name: string): Promise<void> {
  await page.goto("/people");
  await page.getByRole("button", { name: "New client" }).click();
  const dialog = page.getByRole("dialog", { name: "New client" });
  await dialog.getByLabel("Name").fill(name);
  await dialog.getByText("The client agrees").click();
  await dialog.getByRole("button", { name: "Add" }).click();
  await page.getByRole("button", { name: "Begin a visit today" }).click();
  await page.getByRole("navigation", { name: "Stages of the visit" }).getByRole("link", { name: /^Read/ }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Read" })).toBeAttached();
}

/** Chooses one of many by its value, as a person does: opens the list and presses it. */
export async function choose(field: Locator, value: string | { label: string } | { index: number }): Promise<void> {
  const page = field.page();
  // What is drawn may bear the field's name, too.
  const box = field.and(page.getByRole("combobox"));
  // In its own list: another's may still be closing.
  const list = page.locator(`[id="${await box.getAttribute("aria-controls")}"]`);
  await box.locator("xpath=ancestor::div[contains(@class, 'el-select__wrapper')]").click();
  const options = list.locator(".el-select-dropdown__item");
  const one =
    typeof value === "string"
      ? options.and(page.locator(`[data-value="${value}"]`))
      : "label" in value
        ? options.filter({ hasText: new RegExp(`^\\s*${value.label}\\s*$`) })
        : options.nth(value.index);
  await expect(box).toHaveAttribute("aria-expanded", "true");
  // A list that moves to where there is room may be missed: it is still open then, and pressed once more. On a machine that
  // stands still it may close later than it is waited for: then there is nothing left to press.
  await expect(async () => {
    if ((await box.getAttribute("aria-expanded")) === "true") await one.click({ timeout: 2_000 });
    await expect(box).toHaveAttribute("aria-expanded", "false", { timeout: 1_000 });
  }).toPass();
}

/** Picks one of a few by key: a pointer misses what lies in a fold that still opens. */
export async function pick(radio: Locator): Promise<void> {
  await radio.press("Space");
  await expect(radio).toBeChecked();
}

/** What the page says of a save that has landed. */
export const SAVED = /^Saved \d+ (s|min) ago$/;
export const saveState = (page: Page) => page.getByTestId("save-state");

export { expect };
