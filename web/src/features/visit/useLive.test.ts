import { QueryClient, VueQueryPlugin } from "@tanstack/vue-query";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { createApp, effectScope, nextTick } from "vue";
import { useLive } from "./useLive";
import { keyOf } from "./visitData";

/** A line on which the server tells of edits. */
class Line {
  static all: Line[] = [];
  readyState = 0;
  onopen?: () => void;
  onmessage?: (event: { data: string; lastEventId: string }) => void;
  constructor() {
    Line.all.push(this);
  }
  close() {
    this.readyState = 2;
  }
}

const ID = "0190aaaa-0000-7000-8000-000000000001";
let scope = effectScope();

async function looked(state: DocumentVisibilityState) {
  Object.defineProperty(document, "visibilityState", { value: state, configurable: true });
  document.dispatchEvent(new Event("visibilitychange"));
  await nextTick();
}

function listening() {
  const queries = new QueryClient();
  const again = vi.spyOn(queries, "invalidateQueries");
  queries.setQueryData(keyOf(ID), { documents: [{ stage: "read", version: 3 }] });
  const app = createApp({}).use(VueQueryPlugin, { queryClient: queries });
  app.runWithContext(() => scope.run(() => useLive(ID)));
  return again;
}

beforeEach(() => {
  Line.all = [];
  scope = effectScope();
  vi.stubGlobal("EventSource", Line);
});

afterEach(() => {
  scope.stop();
  vi.unstubAllGlobals();
  Reflect.deleteProperty(document, "visibilityState");
});

it("reads a visit again once it hears of a version that it hasn't got", async () => {
  const again = listening();
  const hears = async (visit: string, version: number) => {
    const data = JSON.stringify({ number: version, visit, stage: "read", version, saved_by: "Ivo" });
    Line.all[0]!.onmessage!({ data, lastEventId: String(version) });
    await nextTick();
    return again.mock.calls.length;
  };
  expect(await hears(ID, 3)).toBe(0);
  expect(await hears("another", 9)).toBe(0);
  expect(await hears(ID, 4)).toBe(1);
});

it("holds no line while nobody looks at the page, and catches up when somebody does", async () => {
  const again = listening();
  Line.all[0]!.onopen!();
  await nextTick();
  expect(again).toHaveBeenCalledTimes(1);
  await looked("hidden");
  expect(Line.all.map(({ readyState }) => readyState)).toEqual([2]);
  await looked("visible");
  expect(Line.all.map(({ readyState }) => readyState)).toEqual([2, 0]);
  Line.all[1]!.onopen!();
  await nextTick();
  expect(again).toHaveBeenCalledTimes(2);
});
