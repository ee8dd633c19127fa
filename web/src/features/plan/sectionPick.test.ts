import type { Figure, HairRequest, SectionPicture } from "@/api";
import { VueQueryPlugin } from "@tanstack/vue-query";
import { flushPromises, mount } from "@vue/test-utils";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import * as ask from "@/shared/ask";
import SectionPick from "./SectionPick.vue";

beforeEach(() => void vi.spyOn(ask, "askParted").mockReturnValue(new Promise(() => undefined)));

const figure = { person: [] } as unknown as Figure;
const picture = { view: "left", section: [], held: null, guide: [] } as const;
const sections = [
  { named: "halo", region: { edge: { within_mm: 30 } }, picture },
  { named: "crown", region: { zone: "crown" }, picture },
] as unknown as SectionPicture[];

describe("the section of a step", () => {
  afterEach(() => (document.body.innerHTML = ""));

  it("is called by its name, and another is chosen by pressing its head", async () => {
    document.body.innerHTML = '<div id="layers"></div>';
    const props = { modelValue: { zone: "crown" } as const, sections, figure, on: {} as HairRequest, disabled: false };
    const form = mount(SectionPick, { props, attachTo: document.body, global: { plugins: [VueQueryPlugin] } });
    expect(form.text()).toContain("crown");
    await form.find("button").trigger("click");
    await flushPromises();
    const heads = [...document.querySelectorAll<HTMLButtonElement>(".heads button")];
    expect(heads.map((head) => head.getAttribute("aria-pressed"))).toEqual(["false", "true"]);
    heads[0]!.click();
    expect(form.emitted("update:modelValue")).toEqual([[{ edge: { within_mm: 30 } }]]);
    await form.setProps({ modelValue: { not: { zone: "crown" } } });
    expect(form.text()).toContain("of its own");
    form.unmount();
  });
});
