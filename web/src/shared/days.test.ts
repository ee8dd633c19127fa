import { describe, expect, it } from "vitest";
import { sayDay, sayMoment, today } from "./days";

describe("days", () => {
  it("are the calendar's, wherever the device is", () => {
    expect(sayDay("2026-03-07")).toBe("7 Mar 2026");
    expect(today(new Date(2026, 0, 5, 23, 59))).toBe("2026-01-05");
    expect(sayMoment("2026-03-07T10:30:00Z")).toMatch(/^\d{1,2} Mar 2026, \d{2}:\d{2}$/);
  });
});
