/**
 * The head as outlines, from the client's own figure. Millimetres; y runs down from the ear canals, x to the
 * back in the side view (the face looks left) and across in the views from the front and from behind.
 */
import type { Figure, Point } from "@/api";

export function heightOf(figure: Figure, point: Point): number {
  return figure.points.find((p) => p.point === point)?.height_mm ?? 0;
}

const at = (x: number, y: number) => `${x.toFixed(1)} ${y.toFixed(1)}`;

/** Points of an ellipse from one angle to another (degrees; 0 in front, 90 on top, 180 behind). */
function arc(rx: number, ry: number, from: number, to: number, steps = 18): string[] {
  return Array.from({ length: steps + 1 }, (_, i) => {
    const angle = ((from + ((to - from) * i) / steps) * Math.PI) / 180;
    return at(-rx * Math.cos(angle), -ry * Math.sin(angle));
  });
}

/** Half the width of the neck as the head is drawn, as a share of its breadth. */
const NECK = 0.78;

/** Outline of the head from the left: face, skull, neck. */
export function profile(figure: Figure): string {
  const a = figure.half_length_mm;
  const h = (point: Point) => -heightOf(figure, point);
  const face = a * 0.93;
  const skull = figure.skull.map(([x, y]) => at(x!, y!));
  const [fx = 0, fy = 0] = figure.skull[0] ?? [];
  const chin = h("chin");
  const collar = h("collarbone");
  return [
    `M${skull.join("L")}`,
    // Behind: from the hairline in to the neck.
    `C${at(a * 0.68, chin)} ${at(a * 0.66, collar - 30)} ${at(a * 0.86, collar)}`,
    `L${at(-a * 0.42, collar)}`,
    `C${at(-a * 0.24, collar - 20)} ${at(-a * 0.2, chin + 30)} ${at(-a * 0.28, chin + 8)}`,
    `L${at(-face * 0.86, chin - 1)}`,
    // The face: chin, lips, nose, brow.
    `C${at(-face * 1.02, chin - 6)} ${at(-face * 0.98, chin - 22)} ${at(-face * 0.93, h("lip") + 8)}`,
    `Q${at(-face * 1.03, h("lip") + 4)} ${at(-face * 0.98, h("lip"))}`,
    `Q${at(-face * 1.05, h("lip") - 6)} ${at(-face * 0.99, h("nose_tip") + 9)}`,
    `L${at(-face * 1.17, h("nose_tip") - 1)}`,
    `C${at(-face * 1.15, h("nose_tip") - 10)} ${at(-face * 1.0, h("cheekbone") - 10)} ${at(-face * 0.99, h("brow") + 12)}`,
    `C${at(-face * 1.05, h("brow"))} ${at(-face * 1.02, fy + 18)} ${at(fx, fy)}`,
    "Z",
  ].join("");
}

/** The ear in the side view. */
export function ear(figure: Figure): string {
  const lobe = -heightOf(figure, "ear_lobe");
  return `M${at(-2, -20)}C${at(4, -36)} ${at(26, -32)} ${at(20, -8)}C${at(18, 4)} ${at(10, lobe)} ${at(3, lobe)}C${at(-4, lobe)} ${at(-2, 6)} ${at(-2, 2)}`;
}

/** Outline of head and neck from behind. */
export function behind(figure: Figure): string {
  const [b, t] = [figure.half_breadth_mm, figure.top_mm];
  const nape = -heightOf(figure, "nape_line");
  const collar = -heightOf(figure, "collarbone");
  const shoulder = -heightOf(figure, "shoulder");
  return [
    `M${arc(b, t, 0, 180, 36).join("L")}`,
    `C${at(b, nape * 0.5)} ${at(b * NECK, nape * 0.6)} ${at(b * NECK, nape)}`,
    `C${at(b * NECK, shoulder)} ${at(b * 1.1, shoulder + 4)} ${at(b * 1.75, collar)}`,
    `L${at(-b * 1.75, collar)}`,
    `C${at(-b * 1.1, shoulder + 4)} ${at(-b * NECK, shoulder)} ${at(-b * NECK, nape)}`,
    `C${at(-b * NECK, nape * 0.6)} ${at(-b, nape * 0.5)} ${at(-b, 0)}Z`,
  ].join("");
}

/** Outline of the head from above; the nose points down the page. */
export function above(figure: Figure): string {
  const [b, l] = [figure.half_breadth_mm, figure.half_length_mm];
  const round = Array.from({ length: 73 }, (_, i) =>
    at(b * Math.sin((i * Math.PI) / 36), l * Math.cos((i * Math.PI) / 36)),
  );
  return `M${round.join("L")}ZM${at(-9, l - 2)}L${at(0, l + 18)}L${at(9, l - 2)}`;
}
