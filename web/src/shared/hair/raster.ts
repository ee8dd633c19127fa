/**
 * Strokes as dots.
 *
 * A picture of hair has some thirty thousand short strokes, a dozen over each other. A canvas, made for shapes of any kind, takes
 * several times as long for them (see docs/performance.md): these are all chords with round ends, and are put on from the
 * nearest to the farthest, so that what is hidden costs nothing.
 */
import { handlesAt, type Stroke } from "./paint";

/** A picture of so many dots by so many, and where its corner lies, mm, at so many dots a millimetre. */
export interface Raster {
  wide: number;
  high: number;
  left: number;
  top: number;
  scale: number;
}

/** How long a chord of a curve is at most and, but for the last, at least, dots. */
const LONGEST_DOTS = 5;
const SHORTEST_DOTS = 2.5;
/** What lies under a dot that is as solid as this can't be seen. */
const SOLID = 0.99;

/** The strokes over each other on a clear ground, the last nearest: red, green, blue and how solid, for each dot. */
export function rasterise(strokes: readonly Stroke[], raster: Raster): Uint8ClampedArray<ArrayBuffer> {
  const { wide, high, left, top, scale } = raster;
  // Colours times how solid they are, 0 to 1.
  const dots = new Float32Array(4 * wide * high);
  const chord = chordsOn(dots, wide, high);
  for (let k = strokes.length - 1; k >= 0; k--) {
    const { path, from, to, width, colour, toColour } = strokes[k]!;
    const half = (width * scale) / 2;
    const [red, green, blue] = colour;
    const [moreRed, moreGreen, moreBlue] = [toColour[0] - red, toColour[1] - green, toColour[2] - blue];
    let x = (path[2 * from]! - left) * scale;
    let y = (path[2 * from + 1]! - top) * scale;
    // Where the chord before came from: there is none before the first.
    let cameX = 0;
    let cameY = 0;
    // A chord is short: it has the colour of its place along the stroke.
    const draw = (toX: number, toY: number, place: number, last: boolean) => {
      const share = (place - from) / (to - from);
      const [r, g, b] = [red + share * moreRed, green + share * moreGreen, blue + share * moreBlue];
      chord(x, y, toX, toY, cameX, cameY, last, half, r, g, b);
      cameX = toX - x;
      cameY = toY - y;
      x = toX;
      y = toY;
    };
    for (let i = from; i < to; i++) {
      const endX = (path[2 * i + 2]! - left) * scale;
      const endY = (path[2 * i + 3]! - top) * scale;
      const long = Math.sqrt((endX - x) ** 2 + (endY - y) ** 2);
      if (long < SHORTEST_DOTS && i < to - 1) continue;
      if (long > LONGEST_DOTS) {
        // Along the curve from this point of the line to the next, in as many parts.
        const parts = Math.ceil(long / LONGEST_DOTS);
        const [ax, ay, bx, by] = handlesAt(path, i);
        for (let part = 1; part < parts; part++) {
          const at = part / parts;
          const curveX = cubic(path[2 * i]!, ax, bx, path[2 * i + 2]!, at);
          const curveY = cubic(path[2 * i + 1]!, ay, by, path[2 * i + 3]!, at);
          draw((curveX - left) * scale, (curveY - top) * scale, i + (part - 0.5) / parts, false);
        }
      }
      draw(endX, endY, i + 0.5, i === to - 1);
    }
  }
  return shownAs(dots);
}

/** A point of a cubic curve from a to d (Bézier). */
function cubic(a: number, b: number, c: number, d: number, at: number): number {
  const rest = 1 - at;
  return rest * rest * (rest * a + 3 * at * b) + at * at * (3 * rest * c + at * d);
}

/**
 * Puts a chord of a stroke under what is on a picture already, with a round end where the stroke ends and round the outside of
 * the turn from the chord before: no dot is put on twice. How much of it is covered follows from how far its middle lies from
 * the edge; what is thinner than a dot covers as much less.
 */
function chordsOn(dots: Float32Array, wide: number, high: number) {
  return (
    x: number,
    y: number,
    toX: number,
    toY: number,
    cameX: number,
    cameY: number,
    last: boolean,
    half: number,
    red: number,
    green: number,
    blue: number,
  ) => {
    const reach = Math.max(half, 0.5) + 0.5;
    const most = Math.min(1, 2 * half);
    const alongX = toX - x;
    const alongY = toY - y;
    const share = 1 / (alongX * alongX + alongY * alongY || 1);
    const first = Math.max(0, Math.floor(Math.min(x, toX) - reach));
    const end = Math.min(wide - 1, Math.floor(Math.max(x, toX) + reach));
    const lastRow = Math.min(high - 1, Math.floor(Math.max(y, toY) + reach));
    for (let row = Math.max(0, Math.floor(Math.min(y, toY) - reach)); row <= lastRow; row++) {
      const offY = row + 0.5 - y;
      for (let column = first; column <= end; column++) {
        const i = 4 * (row * wide + column);
        const solid = dots[i + 3]!;
        if (solid >= SOLID) continue;
        const offX = column + 0.5 - x;
        let at = (offX * alongX + offY * alongY) * share;
        if (at < 0) {
          if (offX * cameX + offY * cameY < 0) continue;
          at = 0;
        } else if (at >= 1) {
          if (!last) continue;
          at = 1;
        }
        const apartX = offX - at * alongX;
        const apartY = offY - at * alongY;
        const apart = apartX * apartX + apartY * apartY;
        if (apart >= reach * reach) continue;
        const seen = (1 - solid) * most * Math.min(1, reach - Math.sqrt(apart));
        dots[i] = dots[i]! + red * seen;
        dots[i + 1] = dots[i + 1]! + green * seen;
        dots[i + 2] = dots[i + 2]! + blue * seen;
        dots[i + 3] = solid + seen;
      }
    }
  };
}

/** As a picture on a screen has them: 0 to 255, and colours as they are. */
function shownAs(dots: Float32Array): Uint8ClampedArray<ArrayBuffer> {
  const shown = new Uint8ClampedArray(dots.length);
  for (let i = 0; i < dots.length; i += 4) {
    const solid = dots[i + 3]!;
    if (solid === 0) continue;
    for (let k = i; k < i + 3; k++) shown[k] = dots[k]! / solid;
    shown[i + 3] = 255 * solid;
  }
  return shown;
}
