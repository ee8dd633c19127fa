import type { Girth } from "@/api";

/** A bundle is drawn this many times as wide as it is, or its thinning could hardly be seen. */
const WIDER = 3;
/** Room to either side of it, mm. */
const ROOM = 12;

/** The gathered hair from the side, as wide as its girths say, and a line across where half of it still reaches. */
export function bundle(girths: readonly Girth[], strong_mm: number | undefined) {
  const [first, last] = [girths[0], girths.at(-1)];
  if (!first || !last || girths.length < 2 || last.from_tie_mm <= first.from_tie_mm) return undefined;
  const half = (girth: Girth) => (WIDER * girth.girth_mm) / (2 * Math.PI);
  const at = (girth: Girth, side: 1 | -1) => `${(side * half(girth)).toFixed(1)} ${girth.from_tie_mm.toFixed(1)}`;
  const down = girths.map((girth) => at(girth, 1));
  const up = [...girths].reverse().map((girth) => at(girth, -1));
  const wide = Math.max(...girths.map(half)) + ROOM;
  const y = (strong_mm ?? 0).toFixed(1);
  return {
    box: `${-wide} ${first.from_tie_mm - ROOM} ${2 * wide} ${last.from_tie_mm - first.from_tie_mm + 2 * ROOM}`,
    outline: `M${down.join("L")}L${up.join("L")}Z`,
    strong: `M${-wide} ${y}H${wide}`,
  };
}
