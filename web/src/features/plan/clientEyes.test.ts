// @vitest-environment happy-dom
import "@/shared/testPage";
import type { FallRequest, Figure } from "@/api";
import { VueQueryPlugin } from "@tanstack/vue-query";
import { flushPromises, mount } from "@vue/test-utils";
import { createPinia } from "pinia";
import { beforeEach, describe, expect, it, vi } from "vitest";
import * as ask from "@/shared/ask";
import ClientEyes from "./ClientEyes.vue";

beforeEach(() => void vi.spyOn(ask, "askLocks").mockResolvedValue(new Blob()));

const figure = { points: [], zones: [], person: [], outlines: [] } as unknown as Figure;

describe("what a client is shown", () => {
  it("is before and after without numbers, and turns by hand and by finger", async () => {
    const question = { reading: { zones: {} } } as unknown as FallRequest;
    const props = { modelValue: true, question, figure, frame: { half: 150, top: 150, bottom: -250 } };
    mount(ClientEyes, { props, global: { plugins: [createPinia(), VueQueryPlugin] }, attachTo: document.body });
    await flushPromises();
    const both = document.querySelector<HTMLElement>(".both")!;
    const seen = () => both.getAttribute("aria-label");
    expect(seen()).toBe("from the front");
    expect(both.textContent).not.toMatch(/\d/);
    const [left, right] = [...document.querySelectorAll<HTMLButtonElement>(".turns button")];
    right!.click();
    await flushPromises();
    expect(seen()).toBe("from the front left");
    left!.click();
    left!.click();
    await flushPromises();
    expect(seen()).toBe("from the front right");
    const finger = (type: string, clientX: number) =>
      both.dispatchEvent(new MouseEvent(type, { clientX, bubbles: true }));
    finger("pointerdown", 100);
    finger("pointermove", 130);
    finger("pointermove", 210);
    await flushPromises();
    expect(seen()).toBe("from the right");
    finger("pointerup", 210);
    finger("pointermove", 500);
    await flushPromises();
    expect(seen()).toBe("from the right");
  });
});
