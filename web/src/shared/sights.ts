/** The sides a head is seen from: where its points lie on the page, and how near they are. Millimetres; y runs down. */
import { contract, type HeadView } from "@/api";

export type View = HeadView;
export type Point3 = readonly number[];
export type Vector = readonly [number, number, number];

/** Where whoever looks stands in each view: the direction towards them, and the direction to the right of the page. */
const SIGHTS = Object.fromEntries(
  contract.views.map(({ view, turn_deg }) => {
    if (turn_deg === null || turn_deg === undefined) return [view, { eye: [0, 1, 0], right: [1, 0, 0] }];
    const [sin, cos] = [Math.sin, Math.cos].map((of) => of((turn_deg * Math.PI) / 180)) as [number, number];
    return [view, { eye: [sin, 0, cos], right: [cos, 0, -sin] }];
  }),
) as unknown as Record<View, { eye: Vector; right: Vector }>;

/** The direction towards whoever looks. */
export const eyeOf = (view: View): Vector => SIGHTS[view].eye;

/** A direction as whoever looks sees it, right, up and towards them, as a direction of the head. */
export function asSeen(view: View, [across, up, toward]: Vector): Vector {
  const { eye, right } = SIGHTS[view];
  const over: Vector = view === "above" ? [0, 0, -1] : [0, 1, 0];
  const at = (i: 0 | 1 | 2) => across * right[i] + up * over[i] + toward * eye[i];
  return [at(0), at(1), at(2)];
}

/** Where a point of the head lies on the page in a view: the client's left is on the right when seen from the front. */
export function project(view: View, [x = 0, y = 0, z = 0]: Point3): [number, number] {
  // From above the face looks down the page.
  if (view === "above") return [x, z];
  const { right } = SIGHTS[view];
  return [x * right[0] + z * right[2], -y];
}

/** How near to the viewer a point is, mm from the middle of the head. */
export function near(view: View, [x = 0, y = 0, z = 0]: Point3): number {
  const { eye } = SIGHTS[view];
  return x * eye[0] + y * eye[1] + z * eye[2];
}
