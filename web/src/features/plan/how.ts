/** How a move is done, kind by kind: what each begins as when it is chosen, and how it is chosen. */
import {
  contract,
  type Along,
  type Anchor,
  type Direction,
  type FirstLength,
  type Gathered,
  type Guide,
  type Landmark,
  type Layout,
  type Move,
  type OverDirection,
  type Pause,
  type Point,
  type MoveKind,
} from "@/api";

/** The name of a choice that may carry more: "own_base", or the one key of { landmark: … }. */
export function tagOf(choice: string | object): string {
  return typeof choice === "string" ? choice : (Object.keys(choice)[0] ?? "");
}

/** The names of a choice: its words, and the one key of what carries more. */
export type NameOf<T> = T extends string ? T : keyof T & string;

export type MoveKindName = NameOf<MoveKind>;
export const MOVE_KINDS = contract.choices.moves as MoveKindName[];
export const wayOf = (move: Move): MoveKindName => tagOf(move.kind) as MoveKindName;

/** Ways that take their region section by section. */
export function layoutOf(kind: MoveKind): Layout | undefined {
  if ("sections" in kind) return kind.sections.layout;
  if ("gathered" in kind) return kind.gathered.layout;
  if ("weight" in kind) return kind.weight;
  if ("recoil" in kind) return kind.recoil.layout;
  return undefined;
}

const LAYOUT: Layout = { along: "horizontal", thickness_mm: 20, from: "nape_centre" };

/** A new move of a kind, as it is most often meant. */
export function newMove(name: MoveKindName): Move {
  const state = { moisture: "damp", comb: "wide" } as const;
  switch (name) {
    case "perimeter":
      return {
        region: "everything",
        state,
        kind: { perimeter: { behind: { point: "collarbone", below_mm: 0 }, worn: true } },
      };
    case "sections":
      return {
        region: "everything",
        state,
        kind: {
          sections: {
            layout: { ...LAYOUT },
            hold: { elevation_deg: 90, over_direction: "own_base" },
            guide: { travelling: {} },
            length: { worn_mm: 180 },
          },
        },
      };
    case "gathered":
      return {
        region: { zone: "fringe" },
        state,
        kind: { gathered: { layout: { along: "profile", thickness_mm: 30, from: "hairline_centre" }, to: "nose_tip" } },
      };
    case "weight":
      return {
        region: { zone: "back_lower" },
        state: { moisture: "dry", comb: "wide" },
        kind: { weight: { ...LAYOUT, along: "vertical" } },
        technique: { kind: "slide" },
      };
    case "recoil":
      return {
        region: "everything",
        state: { moisture: "dry", comb: "none" },
        kind: {
          recoil: { layout: { along: "vertical", thickness_mm: 40, from: "nape_centre", piece_mm: 40 }, share: 0.8 },
        },
      };
    case "pause":
      return { region: "everything", state: { moisture: "dry", comb: "wide" }, kind: { pause: pauseOf("look") } };
  }
}

export const ALONG = contract.choices.along as AlongName[];
export type AlongName = NameOf<Along>;
export function alongOf(name: AlongName): Along {
  if (name === "diagonal") return { diagonal: { lower_in_front_deg: 30 } };
  if (name === "pivot") return { pivot: { round: "crown" } };
  return name;
}

export const OVER = contract.choices.over as OverName[];
export type OverName = NameOf<OverDirection>;
export function overOf(name: OverName): OverDirection {
  if (name === "landmark") return { landmark: "apex" };
  if (name === "plane") return { plane: ["ear_top_left", "apex", "ear_top_right"] };
  if (name === "toward") return { toward: "back" };
  return name;
}

export const GUIDES = contract.choices.guides as GuideName[];
export type GuideName = NameOf<Guide>;
export function guideOf(name: GuideName): Guide {
  if (name === "travelling") return { travelling: {} };
  if (name === "floating") return { floating: { step_mm: 5 } };
  return name;
}

export const LENGTHS = contract.choices.lengths as LengthName[];
export type LengthName = NameOf<FirstLength>;
/** A first length of another kind, of the same size where that makes sense. */
export function lengthOf(name: LengthName, was: FirstLength): FirstLength {
  if (name === "shorter_mm") return { shorter_mm: 0 };
  if (name === "ends_at") return { ends_at: { point: "chin", below_mm: 0 } };
  if (name === "like_beside") return name;
  if (name === "like_move") return { like_move: 0 };
  const size = was === "like_beside" ? 150 : "held_mm" in was ? was.held_mm : "worn_mm" in was ? was.worn_mm : 150;
  return name === "held_mm" ? { held_mm: size } : { worn_mm: size };
}

/** Three landmarks with one of them changed. */
export function planeWith(plane: readonly Landmark[], at: number, landmark: Landmark): OverDirection {
  const next = [...plane];
  next[at] = landmark;
  return { plane: next as [Landmark, Landmark, Landmark] };
}

export const PAUSES = contract.choices.pauses as PauseName[];
export type PauseName = NameOf<Pause>;
/** A pause of a kind, with the note it had. */
export function pauseOf(name: PauseName, note = ""): Pause {
  if (name === "product") return { product: { gives: "slip", note } };
  if (name === "dry") return { dry: { by: "air", note } };
  return { look: { note } };
}

/** Twists drawn in a direction, whatever they were drawn to before. */
export function drawnToward(was: Gathered, toward: Direction): Gathered {
  const next = { ...was, toward, drawn_mm: was.drawn_mm ?? 200 };
  delete next.to;
  delete next.side;
  return next;
}

/** Twists drawn to a point of the face, whatever they were drawn to before. */
export function pointedTo(was: Gathered, to: Point): Gathered {
  const next = { ...was, to };
  delete next.toward;
  delete next.drawn_mm;
  return next;
}

/** The landmark a parting's point is given from. */
export const landmarkOf = (anchor: Anchor): Landmark => (typeof anchor === "string" ? anchor : anchor.at);
