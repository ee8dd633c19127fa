import type { Device, FromApp, ToApp } from "@/api";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { effectScope, nextTick } from "vue";
import { useInstruments } from "./useInstruments";

/** A line to instruments whose other end is spoken by hand. */
class Line {
  static open: Line[] = [];
  readyState = 1;
  onopen?: () => void;
  onmessage?: (event: { data: string }) => void;
  sent: FromApp[] = [];
  constructor() {
    Line.open.push(this);
  }
  send(text: string) {
    this.sent.push(JSON.parse(text) as FromApp);
  }
  close() {}
  says(message: ToApp) {
    this.onmessage!({ data: JSON.stringify(message) });
  }
}

const comb = (paired: boolean) => ({ id: "comb-1", kind: "comb", label: "Comb 1", paired }) as Device;
const pair = { type: "pair", device: "comb-1" };
let scope = effectScope();

async function listening(devices: Device[]) {
  const heard = { value: vi.fn(), picture: vi.fn(), back: vi.fn() };
  const instruments = scope.run(() => useInstruments(heard))!;
  await vi.waitFor(() => expect(Line.open).toHaveLength(1));
  const line = Line.open[0]!;
  line.onopen!();
  line.says({ type: "hello", version: 1, stand_in: true, devices });
  await nextTick();
  return { line, ids: () => [instruments.mine, instruments.elsewhere].map((of) => of.value.map(({ id }) => id)) };
}

beforeEach(() => {
  Line.open = [];
  scope = effectScope();
  localStorage.setItem("spirel.instruments", '["comb-1"]');
  vi.stubGlobal("WebSocket", Line);
  vi.stubGlobal("fetch", async () => Response.json({ address: "ws://127.0.0.1:1/" }));
});

afterEach(() => {
  scope.stop();
  localStorage.removeItem("spirel.instruments");
  vi.unstubAllGlobals();
});

it("pairs what this device listens to, and counts it as its own once it is", async () => {
  const { line, ids } = await listening([comb(false)]);
  expect([line.sent.at(-1), ids()]).toEqual([pair, [[], []]]);
  line.says({ type: "device", device: comb(true) });
  expect(ids()).toEqual([["comb-1"], []]);
});

it("is told apart from one that gives its values to another page, and is asked for once that lets it go", async () => {
  const { line, ids } = await listening([comb(true)]);
  expect(line.sent.map(({ type }) => type)).toEqual(["hello"]);
  expect(ids()).toEqual([[], ["comb-1"]]);
  line.says({ type: "device", device: comb(false) });
  expect(line.sent.at(-1)).toEqual(pair);
  line.says({ type: "device", device: comb(true) });
  expect(ids()).toEqual([["comb-1"], []]);
});

it("stays with the page that was heard first where two ask at once", async () => {
  const { line, ids } = await listening([comb(false)]);
  line.says({ type: "device", device: comb(true) });
  line.says({ type: "refused", said: "Comb 1 is paired with another screen.", not_paired: "comb-1" });
  expect(ids()).toEqual([[], ["comb-1"]]);
});
