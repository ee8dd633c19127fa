/** Hair from some sides as one drawing to take along: the person, and the hair behind and in front of them. */
import type { Figure, Ink, Lock } from "@/api";
import type { View } from "@/shared/sights";
import {
  chinOf,
  coordinatesOf,
  css,
  mixed,
  beforeAndBehind,
  scalpColour,
  strokesOf,
  thinned,
  type Stroke,
  type Tones,
} from "./paint";
import { personOf, scalpOf } from "./person";

/** What is drawn from each side, mm: left, top, width and height; and dots to a millimetre, as fine as paper shows. */
export type Box = readonly [number, number, number, number];
const DOTS_PER_MM = 3;
/** Locks of a side: more makes no finer a picture on paper, only a larger file. */
const LOCKS = 600;

/** How each ink is drawn: fill, line and its width. */
const INKS: Record<Ink, string> = {
  body: 'fill="#cfd6d4" stroke="#7f8f92" stroke-width="1.4"',
  head: 'fill="#eef1ef" stroke="#2c4250" stroke-width="1.7"',
  ear: 'fill="#cfd6d4" stroke="#7f8f92" stroke-width="1.4"',
  lips: 'fill="#c5b4bb"',
  brow: 'fill="#2c4250"',
  firm: 'fill="none" stroke="#2c4250" stroke-width="1.8"',
  fine: 'fill="none" stroke="#7f8f92" stroke-width="1.3"',
  faint: 'fill="none" stroke="#b6c1c2" stroke-width="1.4"',
};

function strokePath(stroke: Stroke): string {
  const [x, y, ...rest] = coordinatesOf(stroke).map((mm) => mm.toFixed(1));
  // One colour a stroke, that of its middle: gradients would make a file of many megabytes.
  const colour = mixed(stroke.colour, stroke.toColour, 0.5);
  return `<path d="M${x} ${y}C${rest.join(" ")}" stroke="${css(colour)}" stroke-width="${stroke.width.toFixed(1)}"/>`;
}

function side(view: View, figure: Figure, locks: readonly Lock[], tones: Tones): string {
  const strokes = strokesOf(thinned(locks, LOCKS), view, tones, DOTS_PER_MM);
  const { behind, before } = beforeAndBehind(strokes, view, chinOf(figure));
  const hair = (side: Stroke[]) => side.map(strokePath).join("");
  const group = (content: string) => `<g fill="none" stroke-linecap="round" stroke-linejoin="round">${content}</g>`;
  const person = personOf(figure, view).map(({ ink, d }) => `<path d="${d}" ${INKS[ink]}/>`);
  const scalp = `<path d="${scalpOf(figure, view)}" fill="${css(scalpColour(tones))}" fill-rule="evenodd"/>`;
  return `${group(hair(behind))}${person.join("")}${scalp}${group(hair(before))}`;
}

/** The sides beside each other, as SVG in millimetres. */
export function hairSvg(
  views: readonly View[],
  figure: Figure,
  locks: readonly Lock[],
  tones: Tones,
  [left, top, width, height]: Box,
): string {
  const sides = views.map(
    (view, i) =>
      `<svg x="${i * width}" width="${width}" height="${height}" viewBox="${left} ${top} ${width} ${height}">${side(view, figure, locks, tones)}</svg>`,
  );
  const [w, h] = [views.length * width, height];
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${w}mm" height="${h}mm" viewBox="0 0 ${w} ${h}">${sides.join("")}</svg>`;
}
