// @vitest-environment happy-dom
import { selectsOf, unfold } from "@/shared/setField";
import type { Fall, Figure, HairNow as Now, LinePoint } from "@/api";
import { VueQueryPlugin } from "@tanstack/vue-query";
import { mount } from "@vue/test-utils";
import { createPinia } from "pinia";
import { describe, expect, it } from "vitest";
import { apart, lineTicks } from "./agreement";
import HairNow from "./HairNow.vue";

const points = [
  { point: "chin", height_mm: -100 },
  { point: "shoulder", height_mm: -170 },
];
const figure = {
  points,
  zones: [],
  half_length_mm: 95,
  half_breadth_mm: 75,
  top_mm: 125,
  person: [],
} as unknown as Figure;

async function form(line: LinePoint[], now?: Now) {
  const props = { modelValue: line, figure, now, question: undefined, faultAt: () => undefined, disabled: false };
  const wrapper = mount(HairNow, { props, global: { plugins: [createPinia(), VueQueryPlugin] } });
  await unfold(wrapper);
  return { wrapper, said: () => wrapper.emitted<[LinePoint[]]>("update:modelValue")?.at(-1)?.[0] };
}
const at = (place: LinePoint["at"], point: LinePoint["lies"]["point"], below_mm = 0): LinePoint => ({
  at: place,
  lies: { point, below_mm },
});

describe("the line of the hair as it is", () => {
  it("is kept in the order of the head, whatever was said first", async () => {
    const { wrapper, said } = await form([at("back", "shoulder")]);
    const selects = selectsOf(wrapper);
    await selects[0]!.choose("chin");
    expect(said()).toEqual([at("front_left", "chin"), at("back", "shoulder")]);
    await selects[2]!.choose("");
    expect(said()).toEqual([at("front_left", "chin")]);
  });

  it("takes how far below a point it lies, and nothing where no point is named", async () => {
    const { wrapper, said } = await form([at("back", "shoulder")]);
    const fields = wrapper.findAll(".length input");
    expect(fields.map((field) => field.attributes("disabled") !== undefined)).toEqual([true, true, false, true, true]);
    await fields[2]!.setValue("3");
    expect(said()).toEqual([at("back", "shoulder", 30)]);
  });

  it("says what is missing, or that the answer is on its way", async () => {
    const { wrapper } = await form([]);
    expect(wrapper.text()).toContain("Measure one zone");
    await wrapper.setProps({ asked: true });
    expect(wrapper.text()).toContain("being drawn");
  });

  it("says where the zones don't agree with it", async () => {
    const fall = { front: { heights_mm: [], one_mm: [], other_mm: [] }, lines: [], lowest_mm: -200 };
    const now = {
      fall: { ...fall, side: fall.front, mass_g: 80, width_mm: 180, see_through_below_mm: -190 },
      agreements: {
        line: [
          { measured_mm: -100, computed_mm: -101 },
          { measured_mm: -170, computed_mm: -200 },
        ],
        girths: [{ measured_mm: 80, computed_mm: 84 }],
      },
    } as unknown as Now;
    const { wrapper } = await form([at("front_left", "chin"), at("back", "shoulder")], now);
    const said = wrapper.findAll("li > p").map((line) => line.text());
    expect(said[0]).toBe("The computed hair agrees.");
    expect(said[2]).toContain("3.0 cm lower");
    expect(wrapper.text()).toContain("to 5 %");
    expect(apart({ measured_mm: 3, computed_mm: null })).toBeUndefined();
  });
});

describe("the line as it was measured", () => {
  const outline = { heights_mm: [120, 0, -100], one_mm: [0, 90, 80], other_mm: [0, 70, 60] };
  const fall = {
    front: outline,
    side: { ...outline, one_mm: [0, 100, 95], other_mm: [0, 110, 105] },
  } as unknown as Fall;

  it("is marked on the outline of each side it is seen from, at its height", () => {
    const measured = [
      { at: "side_left", height: -98 },
      { at: "back", height: -60 },
    ] as const;
    // Seen from the front the client's left is on the right; the back isn't seen.
    expect(lineTicks("front", fall, measured)).toEqual(["M69.0 98.0h22"]);
    expect(lineTicks("left", fall, measured)).toEqual(["M-11.0 98.0h22", "M94.0 60.0h22"]);
    expect(lineTicks("behind", fall, measured)).toEqual(["M-91.0 98.0h22", "M-11.0 60.0h22"]);
    expect(lineTicks("above", fall, measured)).toEqual([]);
  });
});
