// @vitest-environment happy-dom
import type { Growth, RawReading } from "@/api";
import { mount } from "@vue/test-utils";
import { createPinia } from "pinia";
import { describe, expect, it } from "vitest";
import { saidFault, selectsOf } from "@/shared/setField";
import GrowthList from "./GrowthList.vue";
import HeadForm from "./HeadForm.vue";

const global = { plugins: [createPinia()] };
const faultless = () => undefined;
const reading: RawReading = {
  zones: {},
  skull: { occiput: 0, crown: 0.4 },
  part: { left_mm: 0 },
  hairs_per_cm2: 180,
};

function head(modelValue: RawReading = reading, faultAt: (field: string) => string | undefined = faultless) {
  return mount(HeadForm, { props: { modelValue, faultAt, disabled: false }, global });
}
const said = (form: ReturnType<typeof head>) => form.emitted<[RawReading]>("update:modelValue")?.at(-1)?.[0];

describe("the form of head and hair", () => {
  it("takes the back of the head and keeps what is felt of the crown", async () => {
    const form = head();
    await form.get('input[value="flat"]').trigger("change");
    expect(said(form)?.skull).toEqual({ occiput: -0.8, crown: 0.4 });
    await form.get('input[value="right"]').trigger("change");
    expect(said(form)?.part?.left_mm).toBe(-25);
  });

  it("names what a saved head is nearest to", () => {
    const form = head({ ...reading, skull: { occiput: 0.5, crown: -0.6 }, part: { left_mm: 14 } });
    const taken = form.findAll("input").filter((input) => (input.element as HTMLInputElement).checked);
    expect(taken.map((input) => (input.element as HTMLInputElement).value)).toEqual(["full", "low", "left"]);
  });

  it("takes density as a number and thinning as a percentage, and says their faults", async () => {
    const form = head(reading, (field) => (field === "taper" ? "too thin" : undefined));
    const fields = form.findAll(".length input");
    await fields[0]!.setValue("210");
    expect(said(form)?.hairs_per_cm2).toBe(210);
    await fields[1]!.setValue("35");
    expect(said(form)?.taper).toBeCloseTo(0.35);
    expect(await saidFault(form)).toBe("too thin");
  });
});

describe("swirls and cowlicks", () => {
  const swirl: Growth = { at: "crown", direction: "clockwise", reach_mm: 45, strength: 0.6 };
  const list = (modelValue: Growth[]) =>
    mount(GrowthList, { props: { modelValue, faultAt: faultless, disabled: false }, global });
  const last = (form: ReturnType<typeof list>) => form.emitted<[Growth[]]>("update:modelValue")?.at(-1)?.[0];

  it("are added at the crown and taken out again", async () => {
    const form = list([]);
    await form.get("button").trigger("click");
    expect(last(form)).toEqual([swirl]);
    const two = list([swirl, { ...swirl, at: "brow_left" }]);
    await two.findAll("button")[0]!.trigger("click");
    expect(last(two)).toEqual([{ ...swirl, at: "brow_left" }]);
  });

  it("turn either way or grow towards a point", async () => {
    const form = list([swirl]);
    const [at, way] = selectsOf(form);
    await at!.choose("brow_right");
    expect(last(form)?.[0]?.at).toBe("brow_right");
    await way!.choose("toward");
    expect(last(form)?.[0]?.direction).toEqual({ toward: "apex" });
    const toward = list([{ ...swirl, direction: { toward: "apex" } }]);
    await selectsOf(toward)[2]!.choose("temple_left");
    expect(last(toward)?.[0]?.direction).toEqual({ toward: "temple_left" });
    const fields = toward.findAll(".length input");
    await fields[1]!.setValue("80");
    expect(last(toward)?.[0]?.strength).toBeCloseTo(0.8);
    await fields[0]!.setValue("3");
    expect(last(toward)?.[0]?.reach_mm).toBe(30);
  });
});
