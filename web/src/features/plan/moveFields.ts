/** The fields of a step that are always open: its numbers in the order they are asked for at the chair, its technique and state. */
import {
  combValues,
  moistureValues,
  techniqueKindValues,
  type Comb,
  type HeldState,
  type Moisture,
  type Move,
  type MoveReport,
  type Point,
  type Technique,
  type TechniqueKind,
} from "@/api";
import { choice, number, wide, type Field } from "@/shared/fields";
import { named } from "@/shared/choices";
import { t } from "@/shared/words";
import { layoutOf, wayOf } from "./how";

/** What a technique was computed with. */
export type Amounts = { [amount in "technique_share" | "technique_depth_mm"]?: MoveReport[amount] | undefined };

/** What isn't set has the value that was computed with. */
export function moveFields(move: Move, points: readonly Point[], used: Amounts = {}): Field<Move>[] {
  return [...placeFields(move, points), ...amountFields(move, used), ...techniqueFields(move), ...stateFields(move)];
}

/** Where a perimeter lies. */
function placeFields(move: Move, points: readonly Point[]): Field<Move>[] {
  if (!("perimeter" in move.kind)) return [];
  return [
    wide(
      choice<Move, Point>(
        "kind.perimeter.behind.point",
        t("plan-line"),
        named(points, "point"),
        move.kind.perimeter.behind.point,
        (m, point) => {
          if ("perimeter" in m.kind) m.kind.perimeter.behind = { point, below_mm: 0 };
        },
      ),
    ),
  ];
}

/** What is typed is kept to the tenth: nothing finer can be held or cut. */
const tenth = (value: number) => Math.round(value * 10) / 10;

/** A number of a step by the key of its name. */
function amount(
  name: string,
  path: string,
  value: number,
  set: (move: Move, value: number) => void,
  sign?: string,
): Field<Move> {
  return number(path, t(`plan-amount-${name}`), tenth(value), set, sign);
}
const share = (name: string, path: string, value: number, set: (move: Move, share: number) => void) =>
  amount(name, path, 100 * value, (move, percent) => set(move, percent / 100), "%");

function amountFields(move: Move, used: Amounts): Field<Move>[] {
  const { kind } = move;
  const fields: Field<Move>[] = [];
  if ("perimeter" in kind)
    fields.push(
      amount("below", "kind.perimeter.behind.below_mm", kind.perimeter.behind.below_mm ?? 0, (m, mm) => {
        if ("perimeter" in m.kind) m.kind.perimeter.behind.below_mm = mm;
      }),
    );
  if ("sections" in kind) fields.push(...heldFields(kind.sections));
  if ("recoil" in kind)
    fields.push(
      share("recoil", "kind.recoil.share", kind.recoil.share, (m, value) => {
        if ("recoil" in m.kind) m.kind.recoil.share = value;
      }),
    );
  if ("gathered" in kind) {
    const { gathered } = kind;
    const set = (part: (value: number) => Partial<typeof gathered>) => (m: Move, value: number) => {
      if ("gathered" in m.kind) Object.assign(m.kind.gathered, part(value));
    };
    fields.push(
      amount(
        "past",
        "kind.gathered.past_mm",
        gathered.past_mm ?? 0,
        set((past_mm) => ({ past_mm })),
      ),
      amount(
        "turns",
        "kind.gathered.turns",
        gathered.turns ?? 0,
        set((turns) => ({ turns })),
        "×",
      ),
    );
    if (gathered.toward)
      fields.push(
        amount(
          "drawn",
          "kind.gathered.drawn_mm",
          gathered.drawn_mm ?? 0,
          set((drawn_mm) => ({ drawn_mm })),
        ),
      );
  }
  const layout = layoutOf(kind);
  if (layout) {
    const path = "weight" in kind ? "kind.weight" : `kind.${wayOf(move)}.layout`;
    fields.push(
      amount("thickness", `${path}.thickness_mm`, layout.thickness_mm, (m, mm) => {
        const its = layoutOf(m.kind);
        if (its) its.thickness_mm = mm;
      }),
    );
  }
  const { technique } = move;
  if (technique?.kind && technique.kind !== "blunt") fields.push(...thinningFields(technique, used));
  return fields;
}

type Sections = Extract<Move["kind"], { sections: unknown }>["sections"];
function heldFields({ length, hold, guide }: Sections): Field<Move>[] {
  const change = (how: (sections: Sections, value: number) => void) => (m: Move, value: number) => {
    if ("sections" in m.kind) how(m.kind.sections, value);
  };
  const fields: Field<Move>[] = [];
  if (typeof length === "object") {
    for (const [key, value] of Object.entries(length))
      if (typeof value === "number" && key !== "like_move")
        fields.push(
          amount(
            key,
            `kind.sections.length.${key}`,
            value,
            change((its, mm) => (its.length = { [key]: mm } as typeof length)),
          ),
        );
    if ("ends_at" in length)
      fields.push(
        amount(
          "below",
          "kind.sections.length.ends_at.below_mm",
          length.ends_at.below_mm ?? 0,
          change((its, below_mm) => (its.length = { ends_at: { ...length.ends_at, below_mm } })),
        ),
      );
  }
  fields.push(
    amount(
      "lift",
      "kind.sections.hold.elevation_deg",
      hold.elevation_deg,
      change((its, degrees) => (its.hold.elevation_deg = degrees)),
      "°",
    ),
  );
  if (guide && typeof guide === "object" && "travelling" in guide)
    fields.push(
      share(
        "guideShare",
        "kind.sections.guide.travelling.guide_share",
        guide.travelling.guide_share ?? 0.5,
        change((its, guide_share) => (its.guide = { travelling: { ...guide.travelling, guide_share } })),
      ),
    );
  if (guide && typeof guide === "object" && "floating" in guide)
    fields.push(
      amount(
        "step",
        "kind.sections.guide.floating.step_mm",
        guide.floating.step_mm,
        change((its, step_mm) => (its.guide = { floating: { step_mm } })),
      ),
    );
  return fields;
}

function thinningFields(technique: Technique, used: Amounts): Field<Move>[] {
  const set = (part: (value: number) => Partial<Technique>) => (m: Move, value: number) => {
    if (m.technique) Object.assign(m.technique, part(value));
  };
  return [
    share(
      "share",
      "technique.share",
      technique.share ?? used.technique_share ?? 0,
      set((value) => ({ share: value })),
    ),
    amount(
      technique.kind === "brick" ? "stub" : "depth",
      "technique.depth_mm",
      technique.depth_mm ?? used.technique_depth_mm ?? 0,
      set((depth_mm) => ({ depth_mm })),
    ),
    share(
      "under",
      "technique.under",
      technique.under ?? 0,
      set((under) => ({ under })),
    ),
    share(
      "deeper",
      "technique.deeper_below",
      technique.deeper_below ?? 0,
      set((deeper_below) => ({ deeper_below })),
    ),
  ];
}

/** Techniques a step can have: taking weight with a blunt cut takes none. */
export const techniquesOf = (move: Move): readonly TechniqueKind[] =>
  wayOf(move) === "weight" ? techniqueKindValues.slice(1) : techniqueKindValues;

function techniqueFields(move: Move): Field<Move>[] {
  return [
    choice<Move, TechniqueKind>(
      "technique.kind",
      t("plan-technique"),
      named(techniquesOf(move), "technique"),
      move.technique?.kind ?? "blunt",
      // With the share and depth that are usual for it.
      (m, kind) => (m.technique = { kind }),
    ),
  ];
}

function stateFields({ state }: Move): Field<Move>[] {
  const set = (part: Partial<HeldState>) => (m: Move) => {
    m.state = { moisture: "dry", comb: "wide", ...m.state, ...part };
  };
  return [
    choice<Move, Moisture>(
      "state.moisture",
      t("plan-moisture"),
      named(moistureValues, "figureWord-moisture"),
      state?.moisture,
      (m, moisture) => set({ moisture })(m),
    ),
    choice<Move, Comb>("state.comb", t("plan-comb"), named(combValues, "comb"), state?.comb, (m, comb) =>
      set({ comb })(m),
    ),
  ];
}
