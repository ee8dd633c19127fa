// @vitest-environment happy-dom
import type { Move, Region } from "@/api";
import { i18n } from "@/app/i18n";
import { mount } from "@vue/test-utils";
import { createPinia } from "pinia";
import { describe, expect, it } from "vitest";
import HowForm from "./HowForm.vue";
import RegionForm from "./RegionForm.vue";
import { newMove } from "./ways";

const global = { plugins: [i18n, createPinia()] };
const faultless = () => undefined;

function region(modelValue: Region, faultAt: (field: string) => string | undefined = faultless) {
  return mount(RegionForm, { props: { modelValue, label: "Hair", faultAt, disabled: false }, global });
}
const last = <T>(all: T[][] | undefined) => all?.at(-1)?.[0];

describe("the form of a region", () => {
  it("turns a region into another kind", async () => {
    const form = region({ zone: "top" });
    await form.find("select").setValue("not");
    expect(last(form.emitted("update:modelValue"))).toEqual({ not: { zone: "top" } });
  });

  it("changes a part of a part, adds parts, and is the one part that is left", async () => {
    const form = region({ all: [{ zone: "top" }, { edge: { within_mm: 20 } }] });
    const selects = form.findAll("select");
    await selects[2]!.setValue("crown");
    expect(last(form.emitted("update:modelValue"))).toEqual({ all: [{ zone: "crown" }, { edge: { within_mm: 20 } }] });
    const buttons = form.findAll("button");
    await buttons.at(-1)!.trigger("click");
    expect(last(form.emitted<[Region]>("update:modelValue"))).toMatchObject({ all: [{}, {}, { zone: "top" }] });
    await buttons[0]!.trigger("click");
    expect(last(form.emitted("update:modelValue"))).toEqual({ edge: { within_mm: 20 } });
  });

  it("runs a parting over two points or three, straight or zigzag", async () => {
    const form = region({ side_of: { parting: { through: ["apex", "crown", "occipital"] }, with: "temple_left" } });
    const selects = form.findAll("select");
    await selects[3]!.setValue("none");
    expect(last(form.emitted("update:modelValue"))).toEqual({
      side_of: { parting: { through: ["apex", "crown"] }, with: "temple_left" },
    });
    await form.find("input").setValue("1");
    expect(last(form.emitted("update:modelValue"))).toMatchObject({ side_of: { parting: { zigzag_mm: 10 } } });
  });

  it("says a fault at the part it is of", () => {
    const at = (field: string) => (field === "all.1.edge.within_mm" ? "too wide" : undefined);
    const form = region({ all: [{ zone: "top" }, { edge: { within_mm: 900 } }] }, at);
    expect(form.find("[role=alert]").text()).toBe("too wide");
  });
});

/** What the form makes of a move when the select or input with this label is set. */
async function set(move: Move, label: string, value: string): Promise<Move> {
  const form = mount(HowForm, {
    props: { move, points: ["chin", "collarbone"], faultAt: faultless, disabled: false },
    global,
  });
  const found = form.findAll("label").find((each) => each.text() === label);
  await form.get(`#${found?.attributes("for")}`).setValue(value);
  const changed = structuredClone(move);
  const change = last(form.emitted<[(move: Move) => void]>("change"));
  change?.(changed);
  return changed;
}

describe("the form of how a move is done", () => {
  it("sets every choice of held sections", async () => {
    const move = newMove("sections");
    const sections = async (label: string, value: string) => {
      const { way } = await set(move, label, value);
      return "sections" in way ? way.sections : undefined;
    };
    expect((await sections("Sections lie", "diagonal"))?.layout.along).toEqual({
      diagonal: { lower_in_front_deg: 30 },
    });
    expect((await sections("First at", "crown"))?.layout.from).toBe("crown");
    expect((await sections("Taken", "3"))?.layout.every).toBe(3);
    expect((await sections("Carried", "landmark"))?.hold.over).toEqual({ landmark: "apex" });
    expect((await sections("Guide", "free"))?.guide).toBe("free");
    expect((await sections("First is set", "held_mm"))?.length).toEqual({ held_mm: 180 });
    expect((await sections("Fingers", "level"))?.fingers?.shape).toBe("level");
    expect((await sections("Opened by", "15"))?.fingers).toMatchObject({ slant_deg: 15, longer_toward: "nape_centre" });
  });

  it("sets places in front and at the sides of a line, and takes them away", async () => {
    const move = await set(newMove("perimeter"), "In front", "chin");
    expect(move.way).toMatchObject({ perimeter: { front: { point: "chin" } } });
    const back = await set(move, "In front", "none");
    expect("perimeter" in back.way && back.way.perimeter.front).toBeUndefined();
    // A head is bent for a line on the comb; where hair is worn it is upright.
    if ("perimeter" in move.way) move.way.perimeter.worn = false;
    expect((await set(move, "Head bent forward", "20")).way).toMatchObject({ perimeter: { tilt_deg: 20 } });
  });

  it("sets where twists are drawn to", async () => {
    const move = await set(newMove("gathered"), "Drawn to", "cheekbone");
    expect(move.way).toMatchObject({ gathered: { to: "cheekbone" } });
    expect((await set(move, "On the side", "right")).way).toMatchObject({ gathered: { side: "right" } });
  });
});
