/** Changes to the moves of a cut. Each makes a new list or move and leaves the old one as it was. */
import { copy } from "@/shared/plain";
import { type Cut, type Move, type MoveReport, type Point, type TechniqueKind, techniqueKindValues } from "@/api";
import { layoutOf, wayOf } from "./how";

/** A number of a move that can be set. */
export interface Amount {
  /** Key of its label in the locale, and where the server names a fault of it, below the move. */
  name: string;
  field: string;
  unit: "length" | "degrees" | "percent" | "count";
  value: number;
  set: (move: Move, value: number) => void;
}

/** The cut with its moves changed. */
const withMoves = (cut: Cut, change: (moves: Move[]) => void): Cut => {
  const next = copy(cut);
  change(next.moves);
  return next;
};

export const swapped = (cut: Cut, at: number, by: -1 | 1): Cut =>
  withMoves(cut, (moves) => {
    const [move] = moves.splice(at, 1);
    if (move) moves.splice(Math.max(0, at + by), 0, move);
  });

export const doubled = (cut: Cut, at: number): Cut =>
  withMoves(cut, (moves) => {
    const move = moves[at];
    if (move) moves.splice(at + 1, 0, copy(move));
  });

export const added = (cut: Cut, move: Move): Cut => withMoves(cut, (moves) => moves.push(move));

export const without = (cut: Cut, at: number): Cut => withMoves(cut, (moves) => moves.splice(at, 1));

/** The cut with one move changed. */
export const changed = (cut: Cut, at: number, change: (move: Move) => void): Cut =>
  withMoves(cut, (moves) => {
    const move = moves[at];
    if (move) change(move);
  });

/** The numbers of a move, in the order they are asked for at the chair. What isn't set has the value that was computed with. */
export function amounts(move: Move, report?: MoveReport): Amount[] {
  const found: Amount[] = [];
  const { kind } = move;
  if ("perimeter" in kind) {
    found.push({
      name: "below",
      field: "kind.perimeter.behind.below_mm",
      unit: "length",
      value: kind.perimeter.behind.below_mm ?? 0,
      set: (m, value) => {
        if ("perimeter" in m.kind) m.kind.perimeter.behind.below_mm = value;
      },
    });
  }
  if ("sections" in kind) {
    const { length, hold, guide } = kind.sections;
    const [key, value] = (length === "like_beside" ? [] : Object.entries(length)[0]) as [string?, unknown?];
    if (key && typeof value === "number" && key !== "like_move") {
      found.push({
        name: key,
        field: `kind.sections.length.${key}`,
        unit: "length",
        value,
        set: (m, mm) => {
          if ("sections" in m.kind) m.kind.sections.length = { [key]: mm } as typeof length;
        },
      });
    }
    if (length !== "like_beside" && "ends_at" in length) {
      const place = length.ends_at;
      found.push({
        name: "below",
        field: "kind.sections.length.ends_at.below_mm",
        unit: "length",
        value: place.below_mm ?? 0,
        set: (m, below_mm) => {
          if ("sections" in m.kind) m.kind.sections.length = { ends_at: { ...place, below_mm } };
        },
      });
    }
    found.push({
      name: "lift",
      field: "kind.sections.hold.elevation_deg",
      unit: "degrees",
      value: hold.elevation_deg,
      set: (m, degrees) => {
        if ("sections" in m.kind) m.kind.sections.hold.elevation_deg = degrees;
      },
    });
    if (guide && typeof guide === "object" && "travelling" in guide) {
      found.push({
        name: "guideShare",
        field: "kind.sections.guide.travelling.guide_share",
        unit: "percent",
        value: 100 * (guide.travelling.guide_share ?? 0.5),
        set: (m, percent) => {
          if ("sections" in m.kind)
            m.kind.sections.guide = { travelling: { ...guide.travelling, guide_share: percent / 100 } };
        },
      });
    }
    if (guide && typeof guide === "object" && "floating" in guide) {
      found.push({
        name: "step",
        field: "kind.sections.guide.floating.step_mm",
        unit: "length",
        value: guide.floating.step_mm,
        set: (m, mm) => {
          if ("sections" in m.kind) m.kind.sections.guide = { floating: { step_mm: mm } };
        },
      });
    }
  }
  if ("recoil" in kind) {
    found.push({
      name: "recoil",
      field: "kind.recoil.share",
      unit: "percent",
      value: 100 * kind.recoil.share,
      set: (m, percent) => {
        if ("recoil" in m.kind) m.kind.recoil.share = percent / 100;
      },
    });
  }
  if ("gathered" in kind) {
    found.push({
      name: "past",
      field: "kind.gathered.past_mm",
      unit: "length",
      value: kind.gathered.past_mm ?? 0,
      set: (m, mm) => {
        if ("gathered" in m.kind) m.kind.gathered.past_mm = mm;
      },
    });
    found.push({
      name: "turns",
      field: "kind.gathered.turns",
      unit: "count",
      value: kind.gathered.turns ?? 0,
      set: (m, turns) => {
        if ("gathered" in m.kind) m.kind.gathered.turns = turns;
      },
    });
    if (kind.gathered.toward)
      found.push({
        name: "drawn",
        field: "kind.gathered.drawn_mm",
        unit: "length",
        value: kind.gathered.drawn_mm ?? 0,
        set: (m, mm) => {
          if ("gathered" in m.kind) m.kind.gathered.drawn_mm = mm;
        },
      });
  }
  const layout = layoutOf(kind);
  if (layout) {
    found.push({
      name: "thickness",
      field: `kind.${"weight" in kind ? "weight" : `${wayOf(move)}.layout`}.thickness_mm`,
      unit: "length",
      value: layout.thickness_mm,
      set: (m, mm) => {
        const its = layoutOf(m.kind);
        if (its) its.thickness_mm = mm;
      },
    });
  }
  const { technique } = move;
  if (technique?.kind && technique.kind !== "blunt") {
    found.push({
      name: "share",
      field: "technique.share",
      unit: "percent",
      value: 100 * (technique.share ?? report?.technique_share ?? 0),
      set: (m, percent) => {
        if (m.technique) m.technique.share = percent / 100;
      },
    });
    found.push({
      name: technique.kind === "brick" ? "stub" : "depth",
      field: "technique.depth_mm",
      unit: "length",
      value: technique.depth_mm ?? report?.technique_depth_mm ?? 0,
      set: (m, mm) => {
        if (m.technique) m.technique.depth_mm = mm;
      },
    });
    found.push({
      name: "under",
      field: "technique.under",
      unit: "percent",
      value: 100 * (technique.under ?? 0),
      set: (m, percent) => {
        if (m.technique) m.technique.under = percent / 100;
      },
    });
    found.push({
      name: "deeper",
      field: "technique.deeper_below",
      unit: "percent",
      value: 100 * (technique.deeper_below ?? 0),
      set: (m, percent) => {
        if (m.technique) m.technique.deeper_below = percent / 100;
      },
    });
  }
  return found;
}

/** Techniques a move can have: taking weight with a blunt cut takes none. */
export const techniquesOf = (move: Move): readonly TechniqueKind[] =>
  wayOf(move) === "weight" ? techniqueKindValues.slice(1) : techniqueKindValues;

/** Chooses a technique, with the share and depth that are usual for it. */
export function setTechnique(move: Move, kind: TechniqueKind) {
  move.technique = { kind };
}

export function setPoint(move: Move, point: Point) {
  if ("perimeter" in move.kind) move.kind.perimeter.behind = { point, below_mm: 0 };
}
