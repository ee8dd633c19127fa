import type { FallRequest, Plan, Visit } from "@/api";
import { bodyOf } from "@/features/visit";
import { isRead, patchesOf } from "@/shared/patches";

/** What a plan's fall is asked for with, from what is saved of a visit; nothing while no zone is read. */
export function planQuestion(visit: Visit, plan: Plan): FallRequest | undefined {
  const reading = bodyOf(visit, "read");
  const zones = reading.zones ?? {};
  if (!patchesOf(zones).some((patch) => isRead(zones, patch))) return undefined;
  const { worn, front_straight, climate, ties_back } = bodyOf(visit, "talk");
  return { reading, worn, front_straight, climate, ties_back, plan };
}
