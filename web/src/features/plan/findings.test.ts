import { contract, type Finding } from "@/api";
import { describe, expect, it } from "vitest";
import { numbered, onScale, pinsOn, ruleOf, sureness } from "./findings";

const finding = (code: Finding["code"], at: number[]): Finding =>
  ({ code, where: { at }, measure: 1.5, threshold: 1.35 }) as unknown as Finding;

describe("what is found", () => {
  it("has a rule for every code, in its unit", () => {
    expect(contract.findings).toHaveLength(25);
    expect(ruleOf("triangle").unit).toBe("times");
  });

  it("is pinned on the sides it is seen from, under its number", () => {
    const all = numbered([finding("triangle", [100, -150, 0]), finding("choppy_back", [0, 10, -95])]);
    expect(pinsOn("front", all)).toEqual([{ number: 1, x: 100, y: 150 }]);
    expect(pinsOn("behind", all).map((pin) => pin.number)).toEqual([1, 2]);
    expect(pinsOn("behind", all)[0]!.x).toBe(-100);
  });

  it("lies on its scale past the threshold on the side that is worse", () => {
    const { slack, threshold } = ruleOf("triangle");
    expect(onScale({ code: "triangle", measure: threshold + slack, threshold }).measure).toBe(1);
    expect(onScale({ code: "triangle", measure: threshold, threshold }).measure).toBe(0.5);
    const broom = ruleOf("broom_ends");
    expect(
      onScale({ ...{ code: "broom_ends", threshold: broom.threshold }, measure: broom.threshold - broom.slack })
        .measure,
    ).toBe(1);
  });

  it("is certain, likely or perhaps so, or nobody asked", () => {
    expect([1, 0.75, 0.25, null].map(sureness)).toEqual(["certain", "likely", "perhaps", undefined]);
  });
});
