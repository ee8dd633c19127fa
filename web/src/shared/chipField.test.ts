// @vitest-environment happy-dom
import { mount } from "@vue/test-utils";
import { describe, expect, it } from "vitest";
import ChipField from "./ChipField.vue";

const choices = ["flat", "heavy", "tidy"].map((value) => ({ value, label: value }));

describe("a few things to choose any of", () => {
  it("stay in the order they are shown in, whichever was pressed first", async () => {
    const field = mount(ChipField, { props: { modelValue: ["tidy"], label: "Why", choices } });
    await field.findAll("input")[0]!.setValue(true);
    expect(field.emitted("update:modelValue")?.at(-1)).toEqual([["flat", "tidy"]]);
    await field.findAll("input")[2]!.setValue(false);
    expect(field.emitted("update:modelValue")?.at(-1)).toEqual([["flat"]]);
  });
});
