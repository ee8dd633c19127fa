import { describe, expect, it } from "vitest";
import { boxOf } from "./frame";

describe("a frame", () => {
  it("goes from its top to its bottom", () => {
    expect(boxOf({ half: 150, top: 180, bottom: -220 })).toEqual([-150, -180, 300, 400]);
  });
});
