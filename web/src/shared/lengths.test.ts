import { describe, expect, it } from "vitest";
import { onComb, parseLength, parseNumber, say, typedIn } from "./lengths";

describe("lengths", () => {
  it("reads what people type", () => {
    expect(parseLength("cm", "12.3")).toBe(123);
    expect(parseLength("cm", " 12,35 ")).toBe(123.5);
    expect(parseLength("inch", "4 1/2")).toBeCloseTo(114.3);
    expect(parseLength("inch", "4½")).toBeCloseTo(114.3);
    expect(parseLength("inch", "¾")).toBeCloseTo(19.05);
    expect(parseLength("cm", "")).toBeNull();
  });

  it("tells words from numbers", () => {
    for (const text of ["NaN", "long", "1e9999", "12 cm", "1/0", "--3", "1.2.3", "1/4/2"]) {
      expect(parseLength("cm", text), text).toBeUndefined();
    }
    expect(parseNumber("-3")).toBe(-3);
  });

  it("gives back what was typed", () => {
    for (const text of ["30", "12.3", "0.25", "7.05"]) {
      expect(typedIn("cm", parseLength("cm", text)!)).toBe(text);
      expect(typedIn("inch", parseLength("inch", text)!)).toBe(text);
    }
  });

  it("shows inches that nobody typed as they are read on a comb, and reads them again", () => {
    expect(typedIn("inch", 480)).toBe("18⅞");
    expect(parseLength("inch", "18⅞")).toBe(479.42);
    expect(parseLength("inch", "-1½")).toBe(-38.1);
  });

  it("says lengths and comb marks", () => {
    expect(say("cm", 123.4)).toBe("12.3 cm");
    expect(say("inch", 254)).toBe("10 in");
    expect(say("inch", 480)).toBe("18⅞ in");
    expect(say("inch", 2)).toBe("⅛ in");
    expect(say("inch", -33)).toBe("-1¼ in");
    expect(onComb("cm", 125)).toBe("12.5");
    expect(onComb("inch", 120.65)).toBe("4¾");
    expect(onComb("inch", 12.7)).toBe("½");
    expect(onComb("inch", 25.4)).toBe("1");
    expect(onComb("inch", 0)).toBe("0");
  });
});
