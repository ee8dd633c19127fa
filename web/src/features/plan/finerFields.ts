/** The fields of what a step can say besides: hair that stays out of the hand, a tilted head, subsections in turn, weight kept for later. */
import type { Drops, HeadTilt, Move, Pattern, Point } from "@/api";
import { check, choice, gap, number, wide, type Field } from "@/shared/fields";
import { named } from "@/shared/choices";
import { t } from "@/shared/words";
import { EVERY, NONE } from "./howFields";

const DROPS = ["ends_below", "ends_above"] as const;
const TILTS = ["forward_deg", "left_deg"] as const;

/** The fields of the step at a place of a cut with so many steps. */
export function finerFields(move: Move, at: number, count: number, points: readonly Point[]): Field<Move>[] {
  const textured = move.technique?.kind !== undefined && move.technique.kind !== "blunt";
  const later = [
    { value: NONE as string, label: t("plan-notBanked") },
    ...Array.from({ length: Math.max(0, count - at - 1) }, (_, i) => ({
      value: String(at + 1 + i),
      label: t("plan-stepNumber", { n: at + i + 2 }),
    })),
  ];
  return [
    ...("sections" in move.kind ? [...dropFields(move, points), ...tiltFields(move)] : []),
    ...(textured ? patternFields(move.pattern) : []),
    wide(
      choice<Move, string>("banked_until", t("plan-banked"), later, String(move.banked_until ?? NONE), (m, until) => {
        if (until === NONE) delete m.banked_until;
        else m.banked_until = Number(until);
      }),
    ),
  ];
}

function dropFields(move: Move, points: readonly Point[]): Field<Move>[] {
  const perhaps = [{ value: NONE, label: t("plan-noDrop") }, ...named(points, "point")];
  const setDrop = (m: Move, side: keyof Drops, point: Point | typeof NONE, below_mm = 0) => {
    if (!("sections" in m.kind)) return;
    const drops: Drops = { ends_below: null, ends_above: null, ...m.kind.sections.drops };
    drops[side] = point === NONE ? null : { point, below_mm };
    if (drops.ends_below || drops.ends_above) m.kind.sections.drops = drops;
    else delete m.kind.sections.drops;
  };
  const drops = "sections" in move.kind ? move.kind.sections.drops : undefined;
  return DROPS.flatMap((side): Field<Move>[] => {
    const place = drops?.[side];
    return [
      choice<Move, Point | typeof NONE>(
        `kind.sections.drops.${side}`,
        t(`plan-${side}`),
        perhaps,
        place?.point ?? NONE,
        (m, point) => setDrop(m, side, point),
      ),
      place
        ? number(`kind.sections.drops.${side}.below_mm`, t("plan-amount-below"), place.below_mm ?? 0, (m, below_mm) =>
            setDrop(m, side, place.point, below_mm),
          )
        : gap(`${side} drops nothing`),
    ];
  });
}

function tiltFields(move: Move): Field<Move>[] {
  const tilt = "sections" in move.kind ? move.kind.sections.hold.tilt : undefined;
  const setTilt = (m: Move, of: keyof HeadTilt, degrees: number) => {
    if ("sections" in m.kind) m.kind.sections.hold.tilt = { forward_deg: 0, left_deg: 0, ...tilt, [of]: degrees };
  };
  return TILTS.map((of) =>
    number(
      `kind.sections.hold.tilt.${of}`,
      t(`plan-tilts-${of}`),
      tilt?.[of] ?? 0,
      (m, degrees) => setTilt(m, of, degrees),
      "°",
    ),
  );
}

function patternFields(pattern: Pattern | null | undefined): Field<Move>[] {
  const setPattern = (part: Partial<Pattern>) => (m: Move) => {
    const next = { every: 1, solid_first: 0, last_solid: false, ...m.pattern, ...part };
    if (next.every === 1 && next.solid_first === 0 && !next.last_solid && !next.within) delete m.pattern;
    else m.pattern = next;
  };
  return [
    choice<Move, string>(
      "pattern.every",
      t("plan-textures"),
      named(EVERY, "plan-everies"),
      String(pattern?.every ?? 1),
      (m, name) => setPattern({ every: Number(name) })(m),
    ),
    number(
      "pattern.solid_first",
      t("plan-solidFirst"),
      pattern?.solid_first ?? 0,
      (m, count) => setPattern({ solid_first: Math.round(count) })(m),
      "×",
    ),
    check("pattern.last_solid", t("plan-lastSolid"), pattern?.last_solid ?? false, (m, last_solid) =>
      setPattern({ last_solid })(m),
    ),
  ];
}
