/** The computed fall as lines on a page. Millimetres; y runs down from the ear canals. */
import type { Aim, Fall, Figure, SectionShape, Zone } from "@/api";
import { near, project, type Point3, type View } from "./sights";

/** The sides that a fall has outlines from. */
export const VIEWS = ["front", "behind", "left", "right", "above"] as const satisfies readonly View[];

const say = ([x, y]: readonly [number, number]) => `${x.toFixed(1)} ${y.toFixed(1)}`;
const path = (points: readonly (readonly [number, number])[]) => (points.length ? `M${points.map(say).join("L")}` : "");

/** The outline in a view: down on one side, up on the other. */
export function outline(view: View, fall: Fall): string {
  if (view === "above") {
    const at = (reach: number, i: number): [number, number] => {
      const turn = (2 * Math.PI * (i + 0.5)) / fall.top_mm.length;
      return [reach * Math.sin(turn), reach * Math.cos(turn)];
    };
    return `${path(fall.top_mm.map(at))}Z`;
  }
  const { heights_mm, one_mm, other_mm } = view === "front" || view === "behind" ? fall.front : fall.side;
  // On the page "one" lies right from the front (the client's left) and from the right (the face), left otherwise.
  const sign = view === "front" || view === "right" ? 1 : -1;
  const one = heights_mm.map((y, i): [number, number] => [sign * (one_mm[i] ?? 0), -y]);
  const other = heights_mm.map((y, i): [number, number] => [-sign * (other_mm[i] ?? 0), -y]).reverse();
  return `${path([...one, ...other])}Z`;
}

/** A section on the side that is seen: its base, the line of the hand, and the hair between them. */
export function section(view: View, shape: SectionShape): { base: string; hand: string; held: string[] } | undefined {
  const middle = shape.base[Math.floor(shape.base.length / 2)];
  if (!middle || near(view, middle) < -20) return undefined;
  const at = (points: readonly Point3[]) => points.map((p) => project(view, p));
  const [base, hand] = [at(shape.base), at(shape.hand)];
  return { base: path(base), hand: path(hand), held: hand.map((end, i) => path([base[i] ?? end, end])) };
}

/** Where the ends of a zone are looked for in a view, mm across: from, to; nothing on sides it can't be seen from. */
const ENDS: Partial<Record<View, Partial<Record<Zone, readonly [number, number]>>>> = {
  front: { fringe: [-35, 35], right_side: [-110, -55], left_side: [55, 110] },
  behind: {
    left_side: [-110, -60],
    right_side: [60, 110],
    nape: [-40, 40],
    back_lower: [-55, 55],
    back_upper: [-55, 55],
  },
  left: { fringe: [-120, -75], left_side: [-50, 15], back_lower: [55, 110], nape: [45, 95] },
  right: { fringe: [75, 120], right_side: [-15, 50], back_lower: [-110, -55], nape: [-95, -45] },
};

/** Where zones should land, as lines across the view at their heights. */
export function aims(view: View, wishes: readonly { zone: Zone; height_mm: number }[]): string[] {
  return wishes.flatMap(({ zone, height_mm }) => {
    const across = ENDS[view]?.[zone];
    return across ? [path(across.map((x): [number, number] => [x, -height_mm]))] : [];
  });
}

/** Heights at which zones should land; a zone whose wish is a length has none. */
export function wishesOf(aim: Aim, figure: Figure): { zone: Zone; height_mm: number }[] {
  return Object.entries(aim.zones ?? {}).flatMap(([zone, { lands }]) => {
    const point = figure.points.find((point) => point.point === lands?.point);
    return point ? [{ zone: zone as Zone, height_mm: point.height_mm - (lands?.below_mm ?? 0) }] : [];
  });
}

/** In whole steps, so that a frame stands still while what it shows changes a little: hair is painted anew with its frame. */
const FRAME_STEP_MM = 20;
const whole = (mm: number) => Math.ceil(mm / FRAME_STEP_MM) * FRAME_STEP_MM;

/** What every view has to show: as wide as the widest outline, from above the hair to below its end. */
export function frame(
  falls: readonly Fall[],
  sections: readonly SectionShape[],
): { half: number; top: number; bottom: number } {
  const reach = falls.flatMap((f) => [f.front, f.side].flatMap((o) => [...o.one_mm, ...o.other_mm]));
  const hands = sections.flatMap((s) => s.hand);
  const half = whole(Math.max(110, ...reach, ...hands.flatMap(([x = 0, , z = 0]) => [Math.abs(x), Math.abs(z)])) + 12);
  const top = whole(Math.max(...falls.map((f) => f.front.heights_mm[0] ?? 0), ...hands.map(([, y = 0]) => y)) + 12);
  const bottom = -whole(-Math.min(-190, ...falls.map((f) => f.lowest_mm)) + 12);
  return { half, top, bottom };
}

/** So many of a list, spread evenly over it from the first to the last. */
export function spread<T>(list: readonly T[], count: number): T[] {
  if (list.length <= count) return [...list];
  return Array.from({ length: count }, (_, i) => list[Math.round((i * (list.length - 1)) / (count - 1))]!);
}
