// @vitest-environment happy-dom
import "@/shared/testPage";
import type { Figure } from "@/api";
import { mount } from "@vue/test-utils";
import { nextTick } from "vue";
import { expect, it, vi } from "vitest";
import HairPicture from "./HairPicture.vue";
import { usePainter } from "./painter";
import { tonesOf } from "./tones";

/** A script beside the page that can't be loaded. */
class Missing extends EventTarget {
  static last: Missing | undefined;
  constructor() {
    super();
    Missing.last = this;
  }
  postMessage = () => undefined;
}

it("is said where hair can't be painted, and the lines stay", async () => {
  vi.stubGlobal("Worker", Missing);
  const figure = { points: [], zones: [], person: [], outlines: [] } as unknown as Figure;
  const what = { view: "front", locks: new Blob(["[]"]), tones: tonesOf({}), box: [0, 0, 10, 10] } as const;
  const picture = mount(HairPicture, {
    props: { ...what, figure, label: "hair" },
    slots: { default: "<path class='line' />" },
  });
  void usePainter().paint({ ...what, chin: 97, dots: 10, most: 10 });
  expect(picture.text()).toBe("");
  await vi.waitFor(() => expect(Missing.last).toBeDefined());
  Missing.last!.dispatchEvent(new Event("error"));
  await nextTick();
  expect(picture.text()).toContain("can't draw the hair");
  expect(picture.find(".line").exists()).toBe(true);
  vi.unstubAllGlobals();
});
