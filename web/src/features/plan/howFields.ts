/** The fields of how a step is done: where its perimeter lies, how subsections run, how they are held, guided and cut along. */
import {
  contract,
  directionValues,
  fingerShapeValues,
  type Direction,
  type FingerShape,
  type Landmark,
  type Layout,
  type Move,
  type Place,
  type Point,
  type Sections,
  type Side,
} from "@/api";
import { check, choice, gap, number, type Field } from "@/shared/fields";
import { t } from "@/shared/words";
import { landmarkChoices, named } from "@/shared/choices";
import {
  ALONG,
  GUIDES,
  LENGTHS,
  OVER,
  alongOf,
  drawnToward,
  guideOf,
  layoutOf,
  lengthOf,
  overOf,
  planeWith,
  pointedTo,
  tagOf,
  wayOf,
  type AlongName,
  type GuideName,
  type LengthName,
  type OverName,
} from "./how";

export const NONE = "none" as const;
/** Which subsections are cut: each, every second and so on. Beginning with the n-th leaves n − 1 out. */
export const EVERY: readonly string[] = ["1", "2", "3", "4"];
const FACE: readonly Point[] = contract.points.filter((rule) => !rule.of_the_body).map((rule) => rule.point);
/** Points that a face has two of. */
const PAIRED: readonly Point[] = contract.points.filter((rule) => rule.paired).map((rule) => rule.point);

/** The steps before the one at this place, by number. */
const earlier = (at: number) =>
  Array.from({ length: at }, (_, i) => ({ value: String(i), label: t("plan-stepNumber", { n: i + 1 }) }));

export function howFields(move: Move, at: number, points: readonly Point[]): Field<Move>[] {
  const { kind } = move;
  return [
    ...("perimeter" in kind ? perimeterFields(kind.perimeter, points) : []),
    ...layoutFields(move),
    ...("sections" in kind ? [...holdFields(kind.sections), ...lengthFields(kind.sections, at, points)] : []),
    ...("sections" in kind ? fingerFields(kind.sections) : []),
    ...("gathered" in kind ? gatheredFields(kind.gathered) : []),
  ];
}

type Perimeter = Extract<Move["kind"], { perimeter: unknown }>["perimeter"];
function perimeterFields(line: Perimeter, points: readonly Point[]): Field<Move>[] {
  const change = (move: Move, how: (line: Perimeter) => void) => {
    if ("perimeter" in move.kind) how(move.kind.perimeter);
  };
  const between = [{ value: NONE, label: t("plan-between") }, ...named(points, "point")];
  const placeFields = (which: "side" | "front"): Field<Move>[] => {
    const place: Place | undefined = line[which] ?? undefined;
    return [
      choice<Move, Point | typeof NONE>(
        `kind.perimeter.${which}`,
        t(`plan-line_${which}`),
        between,
        place?.point ?? NONE,
        (move, point) =>
          change(move, (its) => {
            if (point === NONE) delete its[which];
            else its[which] = { point, below_mm: 0 };
          }),
      ),
      place
        ? number(`kind.perimeter.${which}.below_mm`, t("plan-amount-below"), place.below_mm ?? 0, (move, below_mm) =>
            change(move, (its) => (its[which] = { ...place, below_mm })),
          )
        : gap(`${which} is between`),
    ];
  };
  return [
    ...placeFields("side"),
    ...placeFields("front"),
    check("kind.perimeter.worn", t("plan-lineWorn"), line.worn ?? false, (move, worn) =>
      change(move, (its) => (its.worn = worn)),
    ),
    ...(line.worn
      ? []
      : [
          number<Move>(
            "kind.perimeter.tilt_deg",
            t("plan-tilt"),
            line.tilt_deg ?? 0,
            (move, degrees) => change(move, (its) => (its.tilt_deg = degrees)),
            "°",
          ),
        ]),
  ];
}

/** Fingers of which nothing was said. */
const PLAIN_FINGERS = { shape: "along_head" as FingerShape, slant_deg: 0, longer_toward: null, bow_mm: 0 };

/** Subsections that go up the head: there hands hold their fingers square to the hair. */
const UPRIGHT: AlongName[] = ["vertical", "profile", "crosswise", "pivot"];
const usualShape = (along: AlongName): FingerShape => (UPRIGHT.includes(along) ? "square_to_hair" : "along_head");

/** Fingers that lie as is usual go on doing so when subsections run another way. */
function followSubsections(sections: Sections, from: AlongName, to: AlongName) {
  const fingers = { ...PLAIN_FINGERS, ...sections.fingers };
  if (fingers.shape === usualShape(from) && fingers.slant_deg === 0 && fingers.bow_mm === 0)
    sections.fingers = { ...fingers, shape: usualShape(to) };
}

function layoutFields(move: Move): Field<Move>[] {
  const layout = layoutOf(move.kind);
  if (!layout) return [];
  const at = wayOf(move) === "weight" ? "kind.weight" : `kind.${wayOf(move)}.layout`;
  const set = (part: (layout: Layout) => Partial<Layout>) => (changed: Move) => {
    const its = layoutOf(changed.kind);
    if (its) Object.assign(its, part(its));
  };
  const { along } = layout;
  const every = layout.every ?? 1;
  const fields: Field<Move>[] = [
    choice<Move, AlongName>(
      `${at}.along`,
      t("plan-along"),
      named(ALONG, "plan-alongs"),
      tagOf(along) as AlongName,
      (m, name) => {
        set(() => ({ along: alongOf(name) }))(m);
        if ("sections" in m.kind) followSubsections(m.kind.sections, tagOf(along) as AlongName, name);
      },
    ),
    choice<Move, Landmark>(`${at}.from`, t("plan-from"), landmarkChoices(), layout.from, (m, from) =>
      set(() => ({ from }))(m),
    ),
  ];
  if (typeof along === "object" && "diagonal" in along)
    fields.push(
      number(
        `${at}.along.diagonal.lower_in_front_deg`,
        t("plan-slope"),
        along.diagonal.lower_in_front_deg,
        (m, degrees) => set(() => ({ along: { diagonal: { lower_in_front_deg: degrees } } }))(m),
        "°",
      ),
    );
  if (typeof along === "object" && "pivot" in along)
    fields.push(
      choice<Move, Landmark>(
        `${at}.along.pivot.round`,
        t("plan-round"),
        landmarkChoices(),
        along.pivot.round,
        (m, round) => set(() => ({ along: { pivot: { round } } }))(m),
      ),
    );
  fields.push(
    choice<Move, string>(`${at}.every`, t("plan-every"), named(EVERY, "plan-everies"), String(every), (m, name) =>
      set(() => ({ every: Number(name), skip: 0 }))(m),
    ),
  );
  if (every > 1) {
    const firsts = named(EVERY.slice(0, every), "plan-skips");
    fields.push(
      choice<Move, string>(
        `${at}.skip`,
        t("plan-skip"),
        firsts.map(({ value, label }) => ({ value: String(Number(value) - 1), label })),
        String(layout.skip ?? 0),
        (m, name) => set(() => ({ skip: Number(name) }))(m),
      ),
    );
  }
  return fields;
}

/** Changes a step's sections, where it has them. */
const ofSections =
  <V>(how: (sections: Sections, value: V) => void) =>
  (move: Move, value: V) => {
    if ("sections" in move.kind) how(move.kind.sections, value);
  };

function holdFields(sections: Sections): Field<Move>[] {
  const over = sections.hold.over_direction ?? "own_base";
  const at = "kind.sections.hold.over_direction";
  const fields: Field<Move>[] = [
    choice<Move, OverName>(
      at,
      t("plan-over"),
      named(OVER, "plan-overs"),
      tagOf(over) as OverName,
      ofSections((its, name) => (its.hold.over_direction = overOf(name))),
    ),
  ];
  if (typeof over === "object" && "toward" in over)
    fields.push(
      choice<Move, Direction>(
        `${at}.toward`,
        t("plan-overTo"),
        named(directionValues, "direction"),
        over.toward,
        ofSections((its, toward) => (its.hold.over_direction = { toward })),
      ),
    );
  if (over !== "own_base")
    fields.push(
      number(
        "kind.sections.hold.share",
        t("plan-overShare"),
        100 * (sections.hold.share ?? 1),
        ofSections((its, percent) => (its.hold.share = percent / 100)),
        "%",
      ),
    );
  if (typeof over === "object" && "landmark" in over)
    fields.push(
      choice<Move, Landmark>(
        `${at}.landmark`,
        t("plan-overTo"),
        landmarkChoices(),
        over.landmark,
        ofSections((its, landmark) => (its.hold.over_direction = { landmark })),
      ),
    );
  if (typeof over === "object" && "plane" in over)
    over.plane.forEach((landmark, corner) =>
      fields.push(
        choice<Move, Landmark>(
          // What is wrong with a plane is said once, at its first point.
          corner === 0 ? `${at}.plane` : `${at}.plane.${corner}`,
          t("plan-planePoint", { n: corner + 1 }),
          landmarkChoices(),
          landmark,
          ofSections((its, next) => (its.hold.over_direction = planeWith(over.plane, corner, next))),
        ),
      ),
    );
  return fields;
}

function lengthFields(sections: Sections, at: number, points: readonly Point[]): Field<Move>[] {
  const { length } = sections;
  // The first step has none before it to be like.
  const names = LENGTHS.filter((name) => name !== "like_move" || at > 0);
  const fields: Field<Move>[] = [
    choice<Move, GuideName>(
      "kind.sections.guide",
      t("plan-guide"),
      named(GUIDES, "plan-guides"),
      tagOf(sections.guide ?? "free") as GuideName,
      ofSections((its, name) => (its.guide = guideOf(name))),
    ),
    choice<Move, LengthName>(
      "kind.sections.length",
      t("plan-lengthKind"),
      named(names, "plan-lengths"),
      tagOf(length) as LengthName,
      ofSections((its, name) => (its.length = lengthOf(name, its.length))),
    ),
  ];
  if (typeof length === "object" && "like_move" in length)
    fields.push(
      choice<Move, string>(
        "kind.sections.length.like_move",
        t("plan-likeMove"),
        earlier(at),
        String(length.like_move),
        ofSections((its, name) => (its.length = { like_move: Number(name) })),
      ),
    );
  if (typeof length === "object" && "ends_at" in length)
    fields.push(
      choice<Move, Point>(
        "kind.sections.length.ends_at.point",
        t("plan-endsAt"),
        named(points, "point"),
        length.ends_at.point,
        ofSections((its, point) => (its.length = { ends_at: { ...length.ends_at, point } })),
      ),
    );
  return fields;
}

function fingerFields(sections: Sections): Field<Move>[] {
  const fingers = { ...PLAIN_FINGERS, ...sections.fingers };
  const at = "kind.sections.fingers";
  const fields: Field<Move>[] = [
    choice<Move, FingerShape>(
      `${at}.shape`,
      t("plan-fingers"),
      named(fingerShapeValues, "plan-fingerShapes"),
      fingers.shape,
      ofSections((its, shape) => (its.fingers = { ...fingers, shape })),
    ),
    number(
      `${at}.slant_deg`,
      t("plan-slant"),
      fingers.slant_deg,
      ofSections((its, slant_deg) => {
        const longer_toward = its.fingers?.longer_toward ?? its.layout.from;
        its.fingers = { ...fingers, slant_deg, longer_toward };
      }),
      "°",
    ),
    number(
      `${at}.bow_mm`,
      t("plan-bow"),
      fingers.bow_mm,
      ofSections((its, bow_mm) => (its.fingers = { ...fingers, bow_mm })),
    ),
  ];
  if (fingers.slant_deg !== 0)
    fields.push(
      choice<Move, Landmark>(
        `${at}.longer_toward`,
        t("plan-longerToward"),
        landmarkChoices(),
        fingers.longer_toward ?? undefined,
        ofSections((its, longer_toward) => (its.fingers = { ...fingers, longer_toward })),
      ),
    );
  return fields;
}

type Gathered = Extract<Move["kind"], { gathered: unknown }>["gathered"];
function gatheredFields(gathered: Gathered): Field<Move>[] {
  const change = (move: Move, how: (gathered: Gathered) => Gathered) => {
    if ("gathered" in move.kind) move.kind.gathered = how(move.kind.gathered);
  };
  const fields: Field<Move>[] = [
    choice<Move, Direction | typeof NONE>(
      "kind.gathered.toward",
      t("plan-gatheredToward"),
      [{ value: NONE, label: t("plan-toAPoint") }, ...named(directionValues, "direction")],
      gathered.toward ?? NONE,
      (move, toward) =>
        change(move, (its) => (toward === NONE ? pointedTo(its, "nose_tip") : drawnToward(its, toward))),
    ),
  ];
  if (gathered.to) {
    fields.push(
      choice<Move, Point>("kind.gathered.to", t("plan-gatheredTo"), named(FACE, "point"), gathered.to, (move, to) =>
        change(move, (its) => pointedTo(its, to)),
      ),
    );
    if (PAIRED.includes(gathered.to))
      fields.push(
        choice<Move, Side>(
          "kind.gathered.side",
          t("plan-gatheredSide"),
          named(["left", "right"] as const, "plan-halves"),
          gathered.side ?? "left",
          (move, side) => change(move, (its) => ({ ...its, side })),
        ),
      );
  }
  return fields;
}
