/**
 * The person that carries the hair, as our own sketch of an ordinary adult: millimetres, y down from the ear canals, x to the
 * right of the page. Only absolute commands: `bust.ts` moves each point to where the client's own measures put it.
 */

/** What a line of the sketch is: filled skin or body, or one of three weights of line. */
export type Ink = "body" | "head" | "ear" | "lips" | "brow" | "firm" | "fine" | "faint";
export interface Sketched {
  ink: Ink;
  d: string;
}

/** Heights in the sketches at which the named points lie, highest first. */
export const FRONT_HEIGHTS = { top: -140, brow: -33, nose_tip: 34, lip: 65, chin: 120, shoulder: 186, collarbone: 222 };
export const SIDE_HEIGHTS = { top: -140, brow: -36, nose_tip: 32, lip: 69, chin: 123, shoulder: 186, collarbone: 222 };
/** Half the breadth and the length of the head in them, and half the breadth of the shoulders. */
export const HALF_BREADTH = 79;
export const HALF_LENGTH = 98;
export const HALF_SHOULDERS = 204;

const both = (d: string) => `${d} ${d.replace(/(-?[\d.]+) (-?[\d.]+)/g, (_, x, y) => `${-Number(x)} ${y}`)}`;

export const TRUNK: Sketched = {
  ink: "body",
  d: "M-54 70 C-54 120 -58 150 -78 168 C-108 190 -170 196 -204 222 C-226 240 -236 280 -240 370 L-240 1200 L240 1200 L240 370 C236 280 226 240 204 222 C170 196 108 190 78 168 C58 150 54 120 54 70",
};
export const SKULL_AND_FACE: Sketched = {
  ink: "head",
  d: "M0 -140 C44 -140 78 -108 79 -56 C79 -30 76 -6 74 18 C72 50 60 80 38 102 C26 114 14 120 0 120 C-14 120 -26 114 -38 102 C-60 80 -72 50 -74 18 C-76 -6 -79 -30 -79 -56 C-78 -108 -44 -140 0 -140 Z",
};
/** From behind the skull goes over into the neck. */
export const SKULL_BEHIND: Sketched = {
  ink: "head",
  d: "M0 -140 C44 -140 78 -108 79 -56 C79 -20 76 10 66 40 C60 56 56 72 54 92 L-54 92 C-56 72 -60 56 -66 40 C-76 10 -79 -20 -79 -56 C-78 -108 -44 -140 0 -140 Z",
};
export const EARS: readonly Sketched[] = [
  { ink: "ear", d: both("M-75 -12 C-88 -30 -94 -8 -89 12 C-86 28 -80 38 -73 34 Z") },
  { ink: "fine", d: both("M-84 -8 C-88 2 -85 16 -79 24") },
];
export const BODY_LINES: readonly Sketched[] = [
  { ink: "fine", d: `${both("M-20 222 C-60 216 -110 214 -150 224")} M-12 232 Q0 242 12 232` },
  { ink: "faint", d: both("M-50 118 C-40 160 -22 190 -8 214") },
];
export const FACE_LINES: readonly Sketched[] = [
  { ink: "brow", d: both("M-52 -26 C-44 -35 -30 -36 -17 -29 C-29 -31 -42 -30 -52 -26 Z") },
  { ink: "firm", d: both("M-49 -5 C-42 2 -26 3 -17 -4 M-49 -5 L-53 -2 M-45 -1 L-48 3") },
  { ink: "fine", d: both("M-47 -12 C-40 -18 -27 -18 -19 -12") },
  { ink: "fine", d: "M-8 -22 C-8 -2 -11 14 -14 28 C-16 36 -10 39 -6 37 C-3 41 3 41 6 37 C10 39 16 36 14 28" },
  { ink: "lips", d: "M-24 64 C-16 59 -7 56 0 59 C7 56 16 59 24 64 C16 74 8 77 0 77 C-8 77 -16 74 -24 64 Z" },
  { ink: "firm", d: "M-25 64 C-15 66.5 -7 66.5 0 65.5 C7 66.5 15 66.5 25 64" },
  { ink: "faint", d: `M-10 86 C-4 89 4 89 10 86 ${both("M-60 28 C-52 46 -46 56 -40 62")}` },
];

export const TRUNK_SIDE: Sketched = {
  ink: "body",
  d: "M38 66 C46 110 44 140 60 170 C86 196 150 214 176 250 C190 280 196 330 198 370 L198 1200 L-150 1200 L-150 370 C-150 330 -140 276 -112 244 C-88 222 -66 210 -58 196 C-48 176 -46 150 -42 118 Z",
};
/** From the nape under the jaw and up the face to the forehead; the skull above it is the client's own. */
export const FACE_SIDE =
  "C30 110 -6 118 -38 124 C-50 127 -62 127 -72 124 C-86 120 -92 112 -90 104 C-89 99 -93 95 -94 91 C-95 87 -91 85 -92 81 C-97 79 -99 74 -97 69 C-95 66 -94 63 -96 59 C-99 54 -96 48 -96 43 C-102 42 -114 40 -117 34 C-120 28 -112 16 -106 0 C-102 -10 -101 -16 -102 -22 C-105 -30 -103 -36 -101 -42";
export const SIDE_LINES: readonly Sketched[] = [
  { ink: "ear", d: "M4 -14 C16 -34 34 -24 30 -2 C28 10 22 14 20 26 C18 36 6 38 4 28 C2 18 -4 4 4 -14 Z" },
  { ink: "fine", d: "M9 -10 C18 -22 26 -14 23 -2 C21 6 14 8 14 16" },
  { ink: "brow", d: "M-97 -32 C-88 -38 -76 -38 -68 -32 C-78 -34 -88 -33 -97 -32 Z" },
  { ink: "firm", d: "M-96 -6 C-90 -2 -82 -2 -76 -6" },
  { ink: "fine", d: "M-94 -13 C-88 -17 -82 -16 -77 -12" },
  { ink: "fine", d: "M-104 36 C-100 30 -94 32 -94 40" },
  { ink: "firm", d: "M-97 69 C-90 72 -82 72 -76 70" },
  { ink: "faint", d: "M20 84 C10 104 -14 112 -40 118" },
];
/** From above, the face down the page. */
export const SHOULDERS_ABOVE: Sketched = {
  ink: "body",
  d: "M-204 -10 C-196 -62 -120 -84 0 -86 C120 -84 196 -62 204 -10 C204 44 150 70 70 74 C40 76 -40 76 -70 74 C-150 70 -204 44 -204 -10 Z",
};
export const NOSE_ABOVE: Sketched = { ink: "head", d: "M-12 90 C-8 104 -6 116 0 117 C6 116 8 104 12 90 Z" };
