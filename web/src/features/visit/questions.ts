/** What hair is asked for with, from what is saved of a visit: one home for every question about it. */
import {
  contract,
  type Aim,
  type FallRequest,
  type LengthUnit,
  type Plan,
  type RawReading,
  type StageDocuments,
  type Visit,
} from "@/api";
import { isRead, patchesOf } from "@/shared/patches";
import { bodyOf } from "./visitData";

/** Hair on a head, however it is cut. */
export type HeadQuestion = Pick<FallRequest, "reading"> &
  Required<Pick<StageDocuments["talk"], "worn" | "front_straight" | "climate">>;

/** Whether anything was read of it. */
const grows = ({ zones = {} }: RawReading) => patchesOf(zones).some((patch) => isRead(zones, patch));

/** The head of a visit; with a reading that is not saved yet. */
export function headQuestion(visit: Visit, reading: RawReading = bodyOf(visit, "read")): HeadQuestion {
  const { worn, front_straight, climate } = bodyOf(visit, "talk");
  return { reading, worn, front_straight, climate };
}

/** The head, once there is hair on it. */
export function hairQuestion(visit: Visit, reading?: RawReading): HeadQuestion | undefined {
  const head = headQuestion(visit, reading);
  return grows(head.reading) ? head : undefined;
}

/** Its hair as it is, as of a plan that cuts nothing. */
export function uncutQuestion(visit: Visit, reading?: RawReading): FallRequest | undefined {
  const head = hairQuestion(visit, reading);
  return head && { ...head, ties_back: false, plan: contract.stages.plan };
}

/** Its marks. */
export function marksQuestion(visit: Visit, unit: LengthUnit, aim: Aim = bodyOf(visit, "aim")) {
  return { ...headQuestion(visit), fringe: bodyOf(visit, "talk").fringe, aim, unit };
}

/** A plan on it, with what was said and wished and what the house objects to; nothing while no zone is read. */
export function planQuestion(
  visit: Visit,
  plan: Plan,
  thresholds: FallRequest["thresholds"] = {},
): FallRequest | undefined {
  const head = hairQuestion(visit);
  const talk = bodyOf(visit, "talk");
  return head && { ...head, ties_back: talk.ties_back, aim: bodyOf(visit, "aim"), talk, thresholds, plan };
}
