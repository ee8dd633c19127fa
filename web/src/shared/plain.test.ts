import { describe, expect, it } from "vitest";
import { copy, same } from "./plain";

describe("plain data", () => {
  it("is the same in any order of keys, and without what is undefined", () => {
    expect(same({ a: 1, b: { c: [1, 2] } }, { b: { c: [1, 2] }, a: 1, d: undefined })).toBe(true);
    expect(same({ a: [1, 2] }, { a: [2, 1] })).toBe(false);
    expect(same(undefined, {})).toBe(false);
  });

  it("is copied whole", () => {
    const from = { a: { b: 1 } };
    const to = copy(from);
    to.a.b = 2;
    expect(from.a.b).toBe(1);
    expect(copy(undefined)).toBeUndefined();
  });
});
