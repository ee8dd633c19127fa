import { mount } from "@vue/test-utils";
import { ElColorPicker } from "element-plus";
import { expect, it } from "vitest";
import ColourField from "./ColourField.vue";

it("takes any colour as documents have it, begins from the natural tones, and can be left open again", async () => {
  const field = mount(ColourField, { props: { label: "Colour of its own" } });
  const picker = field.findComponent(ElColorPicker);
  expect(picker.props("modelValue")).toBeNull();
  expect(picker.props("predefine")).toHaveLength(9);
  picker.vm.$emit("update:modelValue", "#3A7CA5");
  picker.vm.$emit("update:modelValue", null);
  expect(field.emitted("update:modelValue")).toEqual([["#3a7ca5"], [""]]);
  await field.setProps({ modelValue: "#3a7ca5" });
  expect(picker.props("modelValue")).toBe("#3a7ca5");
});
