/** How dark a zone of the head is drawn: the more of what is shown, the darker, but never so dark that ink on it is lost. */
export const SHOWN = ["shrinkage", "density", "surety"] as const;
export type Shown = (typeof SHOWN)[number];

/** From where to where a figure goes from the lightest to the darkest: %, hairs on a cm², mm. */
const RANGE: { [S in Shown]: readonly [number, number] } = {
  shrinkage: [0, 70],
  density: [60, 280],
  surety: [0, 20],
};
/** Share of ink in the darkest, %. */
const DARKEST = 34;

export function shade(shown: Shown, value: number): number {
  const [from, to] = RANGE[shown];
  return Math.round((DARKEST * Math.min(Math.max(value - from, 0), to - from)) / (to - from));
}
