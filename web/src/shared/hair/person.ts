/** The person that carries the hair, as core draws them, as paths on a page. */
import type { Figure, Ink } from "@/api";
import type { View } from "@/shared/sights";

type Line = readonly (readonly number[])[];

const path = (line: Line) => `M${line.map(([x, y]) => `${x} ${y}`).join("L")}`;
const seenFrom = (figure: Figure, view: View) => figure.person.find((seen) => seen.view === view);

/** What is drawn, from behind to in front, mm: x to the right and y down from the ear canals. */
export const personOf = (figure: Figure, view: View): { ink: Ink; d: string }[] =>
  (seenFrom(figure, view)?.parts ?? []).map(({ ink, lines }) => ({ ink, d: lines.map(path).join("") }));

/** The scalp that hair grows on, to be filled by the rule of odd and even. */
export const scalpOf = (figure: Figure, view: View): string =>
  (seenFrom(figure, view)?.scalp ?? []).map((ring) => `${path(ring)}Z`).join("");
