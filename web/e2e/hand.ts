/** The hand that holds the instruments: a page of its own that plays them, as a person at the chair would. */
import { expect, type Page } from "@playwright/test";
import { get } from "./server";

export const WALK = ["fringe", "top", "crown", "left_side", "back_upper", "back_lower", "nape", "right_side"] as const;

export class Hand {
  presses = 0;

  private constructor(private readonly page: Page) {}

  /** A hand beside the screen of a person who is signed in. */
  static async beside(screen: Page): Promise<Hand> {
    const page = await screen.context().newPage();
    await page.goto("/people");
    const { address } = await get<{ address: string }>(page, "/api/instruments");
    await page.evaluate(
      (to) =>
        new Promise<void>((opened, failed) => {
          const line = new WebSocket(to);
          line.onopen = () => opened();
          line.onerror = () => failed(new Error("the instruments can't be reached"));
          Object.assign(window, { line });
        }),
      address,
    );
    return new Hand(page);
  }

  async tell(message: object): Promise<void> {
    await this.page.evaluate(
      (text) => (window as unknown as { line: WebSocket }).line.send(text),
      JSON.stringify(message),
    );
  }

  async press(device: string, zone?: string, how: { pulled?: boolean; long?: boolean } = {}): Promise<void> {
    this.presses += 1;
    await this.tell({ type: "press", device, zone, ...how });
  }
}

/** Pairs instruments by what is written on them. */
export async function pair(screen: Page, ...labels: string[]): Promise<void> {
  await screen.getByText("Pair instruments").click();
  for (const label of labels) {
    await screen.locator("label", { hasText: label }).click();
    await expect(screen.getByRole("checkbox", { name: label })).toBeChecked();
  }
  await screen.getByText("Pair instruments").click();
}
