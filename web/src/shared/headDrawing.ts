/**
 * The head and its zones as outlines, from the client's own figure. Millimetres; y runs down from the ear canals, x to the
 * back in the side view (the face looks left) and across in the views from the front and from behind.
 */
import type { Figure, Point, Zone } from "@/api";

/** `under` is where the number of its lower half has room, where that isn't right below the label. */
export type Outline = { zone: Zone; path: string; label: [number, number]; under?: [number, number] };

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

/** A piece of the ring between an inner and the outer ellipse. */
function ring(rx: number, ry: number, inner: number, from: number, to: number): string {
  return `M${[...arc(rx, ry, from, to), ...arc(rx * inner, ry * inner, to, from)].join("L")}Z`;
}

function middle(rx: number, ry: number, share: number, degrees: number): [number, number] {
  const angle = (degrees * Math.PI) / 180;
  return [-rx * share * Math.cos(angle), -ry * share * Math.sin(angle)];
}

/** Angle of the front hairline on the side view, degrees. */
function hairline(figure: Figure): number {
  return (Math.asin(Math.min(0.98, figure.hairline_mm / figure.top_mm)) * 180) / Math.PI;
}

/** Half the width of the neck as the head is drawn, as a share of its breadth. */
const NECK = 0.78;

/** Outline of the head from the left: face, skull, neck. */
export function profile(figure: Figure): string {
  const [a, t] = [figure.half_length_mm, figure.top_mm];
  const h = (point: Point) => -heightOf(figure, point);
  const face = a * 0.93;
  const front = hairline(figure);
  const chin = h("chin");
  const collar = h("collarbone");
  const [fx, fy] = middle(a, t, 1, front);
  return [
    `M${at(fx, fy)}`,
    `L${arc(a, t, front, 180, 30).slice(1).join("L")}`,
    // Behind: over the occipital bone in to the neck.
    `C${at(a * 0.99, 30)} ${at(a * 0.86, h("nape_line") * 0.72)} ${at(a * 0.68, h("nape_line"))}`,
    `C${at(a * 0.6, chin)} ${at(a * 0.64, collar - 30)} ${at(a * 0.86, collar)}`,
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

/** Zones from the client's left (or right, mirrored by whoever draws). */
export function sideZones(figure: Figure, side: "left_side" | "right_side"): Outline[] {
  const [a, t] = [figure.half_length_mm, figure.top_mm];
  const front = hairline(figure);
  const inner = 0.58;
  const nape = -heightOf(figure, "nape_line");
  const occiput = 14;
  const low = 180 + (Math.asin(occiput / t) * 180) / Math.PI;
  const share = (1 + inner) / 2;
  const temple = [-a * 0.66, -t * 0.36] as const;
  const [ix, iy] = middle(a, t, inner, front + 4);
  const side_path = [
    `M${at(ix, iy)}`,
    `L${arc(a * inner, t * inner, front + 4, 168, 18)
      .slice(1)
      .join("L")}`,
    `L${at(a * 0.5, 6)}`,
    `C${at(a * 0.4, -16)} ${at(a * 0.3, -34)} ${at(6, -38)}`,
    `C${at(-12, -36)} ${at(-16, -14)} ${at(-18, 18)}`,
    `L${at(-26, 14)}`,
    `C${at(-26, -20)} ${at(-34, -30)} ${at(...temple)}`,
    "Z",
  ].join("");
  const lower = [
    `M${arc(a, t, 172, low, 4).join("L")}`,
    `C${at(a * 0.97, 30)} ${at(a * 0.9, nape * 0.5)} ${at(a * 0.84, nape * 0.62)}`,
    `L${at(a * 0.34, nape * 0.62)}`,
    `C${at(a * 0.42, 26)} ${at(a * 0.46, 14)} ${at(a * 0.5, 6)}`,
    `L${middle(a, t, inner, 172)
      .map((n) => n.toFixed(1))
      .join(" ")}Z`,
  ].join("");
  const neck = [
    `M${at(a * 0.84, nape * 0.62 + 3)}`,
    `C${at(a * 0.78, nape * 0.8)} ${at(a * 0.72, nape * 0.92)} ${at(a * 0.68, nape)}`,
    `L${at(a * 0.36, nape * 0.98)}`,
    `L${at(a * 0.33, nape * 0.62 + 3)}Z`,
  ].join("");
  return [
    { zone: "fringe", path: ring(a, t, inner, front, 72), label: middle(a, t, share + 0.01, (front + 72) / 2) },
    { zone: "top", path: ring(a, t, inner, 73, 106), label: middle(a, t, share, 89.5) },
    { zone: "crown", path: ring(a, t, inner, 107, 138), label: middle(a, t, share, 122.5) },
    { zone: "back_upper", path: ring(a, t, inner, 139, 171), label: middle(a, t, share, 155) },
    { zone: side, path: side_path, label: [-a * 0.12, -t * 0.33], under: [a * 0.46, -t * 0.13] },
    { zone: "back_lower", path: lower, label: [a * 0.66, nape * 0.33] },
    { zone: "nape", path: neck, label: [a * 0.56, nape * 0.82] },
  ];
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

/** Zones from behind; the client's left is on the left. */
export function backZones(figure: Figure): Outline[] {
  const [b, t] = [figure.half_breadth_mm, figure.top_mm];
  const nape = -heightOf(figure, "nape_line");
  const side = 0.64;
  /** x on the skull at height y, scaled. */
  const x = (y: number, share = 1) => b * share * Math.sqrt(Math.max(0, 1 - (y / t) ** 2));
  const band = (top: number, bottom: number, share: number) => {
    const n = 10;
    const ys = Array.from({ length: n + 1 }, (_, i) => top + ((bottom - top) * i) / n);
    const right = ys.map((y) => at(x(y, share), y));
    const left = ys.reverse().map((y) => at(-x(y, share), y));
    return `M${[...right, ...left].join("L")}Z`;
  };
  const flank = (sign: 1 | -1) => {
    const ys = Array.from({ length: 13 }, (_, i) => -t * 0.62 + (t * 0.62 * i) / 12);
    const outer = ys.map((y) => at(sign * x(y), y));
    const inner = [...ys].reverse().map((y) => at(sign * (x(y, side) + 3), y));
    return `M${[...outer, ...inner].join("L")}Z`;
  };
  return [
    { zone: "top", path: band(-t, -t * 0.83, 1), label: [0, -t * 0.89] },
    { zone: "crown", path: band(-t * 0.8, -t * 0.46, side), label: [0, -t * 0.63] },
    { zone: "left_side", path: flank(-1), label: [-b * 0.79, -t * 0.22] },
    { zone: "right_side", path: flank(1), label: [b * 0.79, -t * 0.22] },
    { zone: "back_upper", path: band(-t * 0.43, -2, side), label: [0, -t * 0.2] },
    {
      zone: "back_lower",
      path: `M${at(-b * side, 2)}L${at(b * side, 2)}L${at(b * NECK * 0.86, nape * 0.6)}L${at(-b * NECK * 0.86, nape * 0.6)}Z`,
      label: [0, nape * 0.31],
    },
    {
      zone: "nape",
      path: `M${at(-b * NECK * 0.86, nape * 0.6 + 3)}L${at(b * NECK * 0.86, nape * 0.6 + 3)}L${at(b * NECK * 0.7, nape)}L${at(-b * NECK * 0.7, nape)}Z`,
      label: [0, nape * 0.83],
    },
  ];
}
