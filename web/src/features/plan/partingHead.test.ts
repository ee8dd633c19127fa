import type { Figure, HairRequest, PartedRequest, PartedSection, Region } from "@/api";
import { VueQueryPlugin } from "@tanstack/vue-query";
import { flushPromises, mount } from "@vue/test-utils";
import { beforeEach, expect, it, vi } from "vitest";
import * as ask from "@/shared/ask";
import PartingHead from "./PartingHead.vue";

const asked: PartedRequest[] = [];
/** Each end where it is, or where it was moved to: the section says by how much. */
const answer = ({ region, moved, view }: PartedRequest): PartedSection => ({
  region: moved ? { edge: { within_mm: moved.to[0]! } } : region,
  picture: { view: view ?? "above", section: [], held: null, guide: [] },
  ends: [
    { end: 0, landmark: "apex", is_landmark: true, at: [10, 20] },
    { end: 2, landmark: "crown", is_landmark: false, at: [30, 40] },
  ],
});
beforeEach(
  () =>
    void vi.spyOn(ask, "askParted").mockImplementation((question) => {
      asked.push(question);
      return Promise.resolve(answer(question));
    }),
);

it("shows the ends of a section's partings, and an arrow key moves one on the page", async () => {
  const form = mount(PartingHead, {
    props: { modelValue: "everything" as Region, on: {} as HairRequest, figure: { person: [] } as unknown as Figure },
    global: { plugins: [VueQueryPlugin] },
  });
  await flushPromises();
  const ends = form.findAll(".end");
  expect(ends.map((end) => end.attributes("aria-label"))).toEqual([
    "End of a parting: apex",
    "End of a parting: near the crown",
  ]);
  await ends[1]!.trigger("keydown", { key: "ArrowRight" });
  await flushPromises();
  expect(asked.find(({ moved }) => moved)).toMatchObject({ view: "above", moved: { end: 2, to: [36, 40] } });
  expect(form.emitted("update:modelValue")).toEqual([[{ edge: { within_mm: 36 } }]]);
  // A touch that doesn't move changes nothing.
  const target = ends[0]!.element as Element & { setPointerCapture: () => void };
  target.setPointerCapture = () => undefined;
  await ends[0]!.trigger("pointerdown");
  await form.find("svg").trigger("pointerup");
  await flushPromises();
  expect(form.emitted("update:modelValue")).toHaveLength(1);
  const before = asked.length;
  await ends[0]!.trigger("keydown", { key: "x" });
  await flushPromises();
  expect(asked.length).toBe(before);
  form.unmount();
});
