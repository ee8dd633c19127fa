/** Which figures of a step can be turned to see what they do, and how a row of values is drawn. */
import { contract, type Lever, type Move } from "@/api";
import { wayOf } from "./how";

const HELD: readonly Lever[] = ["length", "elevation", "over_direction", "finger_angle", "thickness"];
const AMOUNTS: readonly Lever[] = ["share", "depth"];

/** Figures that this step has: those of how it is held, and those of a technique that takes some of the hair. */
export function leversOf(move: Move): Lever[] {
  const way = wayOf(move);
  if (way === "pause" || way === "recoil") return [];
  const textured = move.technique !== undefined && move.technique.kind !== "blunt";
  const own: readonly Lever[] = way === "sections" ? HELD : way === "weight" ? [] : ["length"];
  const over = "sections" in move.kind ? move.kind.sections.hold.over_direction : undefined;
  const carried = over !== undefined && over !== "own_base";
  return [...own.filter((lever) => lever !== "over_direction" || carried), ...(textured ? AMOUNTS : [])];
}

/** The unit of a lever's figure. */
export const unitOf = (lever: Lever) => contract.levers.find((rule) => rule.lever === lever)?.unit ?? "";

/** Room above and below a curve. */
const ROOM = 3;
/** Changes under which a row is flat, in its own unit. */
const FLAT = 0.5;

/** Values as the points of a line in a box, the greatest on top; what doesn't change is a level line. */
export function curve(values: readonly number[], width: number, height: number): string {
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const x = (i: number) => (values.length > 1 ? (i * width) / (values.length - 1) : width / 2);
  const y = (value: number) =>
    most - least < FLAT ? height / 2 : height - ROOM - ((value - least) / (most - least)) * (height - 2 * ROOM);
  return values.map((value, i) => `${x(i).toFixed(1)},${y(value).toFixed(1)}`).join(" ");
}
