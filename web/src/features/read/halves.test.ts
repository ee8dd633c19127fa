import type { Outline } from "@/shared/headDrawing";
import { describe, expect, it } from "vitest";
import { patchesIn } from "./halves";

const BLANK = { moisture: "dry", strands: 1 } as const;
const outline = (zone: Outline["zone"]): Outline => ({ zone, path: `M${zone}`, label: [10, -40] });

describe("halves on the drawn head", () => {
  it("leave a whole zone as it is", () => {
    expect(patchesIn("left", [outline("crown")], {})).toEqual([{ patch: "crown", path: "Mcrown", label: [10, -40] }]);
  });

  it("meet at the zone's middle and cover all of it between them", () => {
    const drawn = patchesIn("left", [outline("left_side")], { left_side_front: BLANK });
    expect(drawn.map((each) => each.patch)).toEqual(["left_side_front", "left_side_behind"]);
    const [front, behind] = drawn;
    expect(front!.clip!.x + front!.clip!.width).toBe(10);
    expect(behind!.clip!.x).toBe(10);
    expect([front!.seam?.x1, behind!.seam]).toEqual([10, undefined]);
    expect(front!.label[0]).toBeLessThan(behind!.label[0]);
    const [upper, under] = patchesIn("behind", [outline("back_upper")], { back_upper_under: BLANK });
    expect(upper!.clip!.y + upper!.clip!.height).toBe(-40);
    expect(under!.clip!.y).toBe(-40);
  });

  it("show in each drawing the half that is seen from there", () => {
    const zones = { nape_left: BLANK, left_side_front: BLANK, top_front: BLANK };
    const seen = (view: "left" | "right" | "behind", zone: Outline["zone"]) =>
      patchesIn(view, [outline(zone)], zones).map((each) => each.patch);
    expect(seen("left", "nape")).toEqual(["nape_left"]);
    expect(seen("right", "nape")).toEqual(["nape_right"]);
    expect(seen("behind", "nape")).toEqual(["nape_left", "nape_right"]);
    expect(seen("behind", "left_side")).toEqual(["left_side_behind"]);
    const [front, behind] = patchesIn("behind", [outline("top")], zones);
    expect(front!.label[1], "the front lies further up").toBeLessThan(behind!.label[1]);
  });
});
