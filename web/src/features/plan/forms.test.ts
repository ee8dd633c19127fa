// @vitest-environment happy-dom
import type { Move, Region } from "@/api";
import { mount } from "@vue/test-utils";
import { ElSelect } from "element-plus";
import { createPinia } from "pinia";
import { describe, expect, it } from "vitest";
import { saidFault, selectsOf, setField, unfold } from "@/shared/setField";
import DescribedFields from "@/shared/DescribedFields.vue";
import type { Field } from "@/shared/fields";
import RegionForm from "./RegionForm.vue";
import { finerFields } from "./finerFields";
import { newMove } from "./how";
import { howFields } from "./howFields";
import { moveFields } from "./moveFields";
import { pauseFields } from "./pauseFields";

const global = { plugins: [createPinia()] };
const faultless = () => undefined;

function region(modelValue: Region, faultAt: (field: string) => string | undefined = faultless) {
  return mount(RegionForm, { props: { modelValue, label: "Hair", faultAt, disabled: false }, global });
}
const last = <T>(all: T[][] | undefined) => all?.at(-1)?.[0];

describe("the form of a region", () => {
  it("turns a region into another kind", async () => {
    const form = region({ zone: "top" });
    await selectsOf(form)[0]!.choose("not");
    expect(last(form.emitted("update:modelValue"))).toEqual({ not: { zone: "top" } });
  });

  it("changes a part of a part, adds parts, and is the one part that is left", async () => {
    const form = region({ all: [{ zone: "top" }, { edge: { within_mm: 20 } }] });
    const selects = selectsOf(form);
    await selects[2]!.choose("crown");
    expect(last(form.emitted("update:modelValue"))).toEqual({ all: [{ zone: "crown" }, { edge: { within_mm: 20 } }] });
    const buttons = form.findAll("button");
    await buttons.at(-1)!.trigger("click");
    expect(last(form.emitted<[Region]>("update:modelValue"))).toMatchObject({ all: [{}, {}, { zone: "top" }] });
    await buttons[0]!.trigger("click");
    expect(last(form.emitted("update:modelValue"))).toEqual({ edge: { within_mm: 20 } });
  });

  it("runs a parting over two points or three, straight or zigzag", async () => {
    const form = region({ side_of: { parting: { through: ["apex", "crown", "occipital"] }, with: "temple_left" } });
    const selects = selectsOf(form);
    await selects[3]!.choose("none");
    expect(last(form.emitted("update:modelValue"))).toEqual({
      side_of: { parting: { through: ["apex", "crown"] }, with: "temple_left" },
    });
    await setField(form, "Zigzag teeth", "1");
    expect(last(form.emitted("update:modelValue"))).toMatchObject({ side_of: { parting: { zigzag_mm: 10 } } });
    await unfold(form);
    await setField(form, "apex: behind it by", "3");
    expect(last(form.emitted("update:modelValue"))).toMatchObject({
      side_of: { parting: { through: [{ at: "apex", behind_mm: 30, above_mm: 0, left_mm: 0 }, "crown", "occipital"] } },
    });
    await form.get("input[type=checkbox]").setValue(true);
    expect(last(form.emitted("update:modelValue"))).toEqual({
      side_of: { parting: { own: true }, with: "temple_left" },
    });
  });

  it("can't be changed by whoever only reads", () => {
    const form = mount(RegionForm, {
      props: {
        modelValue: {
          all: [{ side_of: { parting: { through: ["apex", "crown"] }, with: "temple_left" } }, { zone: "top" }],
        },
        label: "Hair",
        faultAt: faultless,
        disabled: true,
      },
      global,
    });
    const open = form.findAll("input, button").filter((control) => control.attributes("disabled") === undefined);
    expect(open.filter((control) => !control.element.closest("fieldset[disabled], .el-collapse-item__header"))).toEqual(
      [],
    );
    expect(form.findAllComponents(ElSelect).every((select) => select.props("disabled"))).toBe(true);
  });

  it("says a fault at the part it is of", async () => {
    const at = (field: string) => (field === "all.1.edge.within_mm" ? "too wide" : undefined);
    const form = region({ all: [{ zone: "top" }, { edge: { within_mm: 900 } }] }, at);
    expect(await saidFault(form)).toBe("too wide");
  });
});

/** What a form of these fields makes of a move when the select or input with this label is set. */
async function setIn(fields: Field<Move>[], move: Move, label: string, value: string): Promise<Move> {
  const form = mount(DescribedFields<Move>, { props: { fields, faultAt: faultless, disabled: false }, global });
  await setField(form, label, value);
  const changed = structuredClone(move);
  last(form.emitted<[(move: Move) => void]>("change"))?.(changed);
  return changed;
}
const set = (move: Move, label: string, value: string) =>
  setIn(howFields(move, 1, ["chin", "collarbone"]), move, label, value);

describe("the form of how a move is done", () => {
  it("sets every choice of held sections", async () => {
    const move = newMove("sections");
    const sections = async (label: string, value: string) => {
      const { kind } = await set(move, label, value);
      return "sections" in kind ? kind.sections : undefined;
    };
    expect((await sections("Subsections", "diagonal"))?.layout.along).toEqual({
      diagonal: { lower_in_front_deg: 30 },
    });
    expect((await sections("Start at", "crown"))?.layout.from).toBe("crown");
    expect((await sections("Which are cut", "3"))?.layout.every).toBe(3);
    expect((await sections("Over-direction", "landmark"))?.hold.over_direction).toEqual({ landmark: "apex" });
    expect((await sections("Guide", "free"))?.guide).toBe("free");
    expect((await sections("First length", "held_mm"))?.length).toEqual({ held_mm: 180 });
    expect((await sections("Finger angle", "level"))?.fingers?.shape).toBe("level");
    expect((await sections("Degrees more", "15"))?.fingers).toMatchObject({
      slant_deg: 15,
      longer_toward: "nape_centre",
    });
  });

  it("lays fingers square to the hair on subsections that go up the head, unless they were laid otherwise", async () => {
    const shape = async (move: Move, along: string) => {
      const { kind } = await set(move, "Subsections", along);
      return "sections" in kind ? kind.sections.fingers?.shape : undefined;
    };
    const level = newMove("sections");
    expect(await shape(level, "vertical")).toBe("square_to_hair");
    expect(await shape(await set(level, "Subsections", "vertical"), "horizontal")).toBe("along_head");
    // A saved step says what a new one leaves out.
    const saved = newMove("sections");
    if ("sections" in saved.kind)
      saved.kind.sections.fingers = { shape: "along_head", slant_deg: 0, longer_toward: null, bow_mm: 0 };
    expect(await shape(saved, "profile")).toBe("square_to_hair");
    expect(await shape(await set(level, "Finger angle", "straight"), "profile")).toBe("straight");
  });

  it("sets places in front and at the sides of a line, and takes them away", async () => {
    const move = await set(newMove("perimeter"), "In front", "chin");
    expect(move.kind).toMatchObject({ perimeter: { front: { point: "chin" } } });
    const back = await set(move, "In front", "none");
    expect("perimeter" in back.kind && back.kind.perimeter.front).toBeUndefined();
    // A head is bent for a line on the comb; where hair is worn it is upright.
    if ("perimeter" in move.kind) move.kind.perimeter.worn = false;
    expect((await set(move, "Head bent forward", "20")).kind).toMatchObject({ perimeter: { tilt_deg: 20 } });
  });

  it("sets where twists are drawn to", async () => {
    const move = await set(newMove("gathered"), "Drawn to", "cheekbone");
    expect(move.kind).toMatchObject({ gathered: { to: "cheekbone" } });
    expect((await set(move, "On the side", "right")).kind).toMatchObject({ gathered: { side: "right" } });
  });
});

describe("the form of the fine points of a move", () => {
  const finer = (move: Move, label: string, value: string) =>
    setIn(finerFields(move, 0, 3, ["chin", "collarbone"]), move, label, value);
  const sections = (move: Move) => ("sections" in move.kind ? move.kind.sections : undefined);

  it("lets hair drop out of the hand and takes that back", async () => {
    const dropped = await finer(newMove("sections"), "Left out: ends below", "collarbone");
    expect(sections(dropped)?.drops).toEqual({ ends_below: { point: "collarbone", below_mm: 0 }, ends_above: null });
    expect(sections(await finer(dropped, "Left out: ends below", "none"))?.drops).toBeUndefined();
  });

  it("tilts the head, textures sections in turn and keeps weight for a later step", async () => {
    expect(sections(await finer(newMove("sections"), "Head bent forward", "20"))?.hold.tilt).toEqual({
      forward_deg: 20,
      left_deg: 0,
    });
    const move = newMove("weight");
    const textured = await finer(move, "Subsections with this technique", "2");
    expect(textured.pattern).toEqual({ every: 2, solid_first: 0, last_solid: false });
    expect((await finer(textured, "Subsections with this technique", "1")).pattern).toBeUndefined();
    expect((await finer(move, "Weight left until", "2")).banked_until).toBe(2);
  });
});

describe("the form of a pause", () => {
  it("keeps its note when it becomes another kind", async () => {
    const pause = { look: { note: "Let it fall" } };
    const move: Move = { region: "everything", kind: { pause } };
    const dried = await setIn(pauseFields(pause), move, "What happens", "dry");
    expect(dried.kind).toEqual({ pause: { dry: { by: "air", note: "Let it fall" } } });
    const noted = await setIn(pauseFields(pause), move, "What to see to", "Look from behind");
    expect(noted.kind).toEqual({ pause: { look: { note: "Look from behind" } } });
  });
});

describe("the fields that are always open", () => {
  it("set state and technique, and keep to what a step can have", async () => {
    const move = newMove("weight");
    const fields = moveFields(move, ["chin"]);
    expect((await setIn(fields, move, "Moisture", "wet")).state).toMatchObject({ moisture: "wet", comb: "wide" });
    expect((await setIn(fields, move, "Technique", "notch")).technique).toEqual({ kind: "notch" });
    const said = mount(DescribedFields<Move>, {
      props: {
        fields,
        faultAt: (field: string) => (field === "technique.share" ? "too much" : undefined),
        disabled: true,
      },
      global,
    });
    expect(await saidFault(said)).toBe("too much");
    expect(said.findAll("input").every((input) => input.attributes("disabled") !== undefined)).toBe(true);
  });
});
