/** A drawn strand, [across, down] from its root, mm. */
type Line = readonly (readonly number[])[];

/** Room on either side of it, mm. */
const BESIDE_MM = 1;

export function strandPath(line: Line): string {
  return `M${line.map(([x = 0, y = 0]) => `${x.toFixed(2)} ${y.toFixed(2)}`).join("L")}`;
}

/** The box that holds it, from the root down, mm. */
export function strandBox(line: Line): { left: number; width: number; height: number } {
  const across = line.map(([x = 0]) => x);
  const left = Math.min(...across) - BESIDE_MM;
  return {
    left: round(left),
    width: round(Math.max(...across) + BESIDE_MM - left),
    height: round(Math.max(...line.map(([, y = 0]) => y)) + BESIDE_MM),
  };
}

const round = (mm: number) => Math.round(100 * mm) / 100;
