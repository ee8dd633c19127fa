import { describe, expect, it } from "vitest";
import { pixelsOf } from "./downloads";

describe("a drawing as a picture", () => {
  it("has three pixels for a millimetre", () => {
    expect(pixelsOf('<svg xmlns="x" width="400mm" height="250.4mm" viewBox="0 0 400 250.4">')).toEqual({
      width: 1200,
      height: 751,
    });
  });

  it("has no size if the drawing says none", () => {
    expect(pixelsOf("<svg><rect width='3mm'/></svg>")).toEqual({ width: 0, height: 0 });
  });
});
