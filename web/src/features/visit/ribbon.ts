import type { Stage, Visit } from "@/api";
import { isRead, patchesOf, zoneOf } from "@/shared/patches";
import { bodyOf, savedStage } from "./visitData";

export type StageName = Stage | "mark";

export interface RibbonStage {
  name: StageName;
  /** Done: nothing is missing. Part: begun, something is missing. Open: not begun. */
  state: "done" | "part" | "open";
  /** How many zones of how many, where a stage goes zone by zone. */
  zones?: number;
  of?: number;
}

/** The stages that exist, with how far each has come. */
export function ribbon(visit: Visit): RibbonStage[] {
  const read = bodyOf(visit, "read").zones ?? {};
  const aim = bodyOf(visit, "aim").zones;
  const patches = patchesOf(read);
  const known = patches.filter((patch) => isRead(read, patch));
  const aimZones = Object.keys(aim).length;
  const wished = patches.filter((patch) => aim[zoneOf(patch)]).length;
  const markZones = known.filter((patch) => aim[zoneOf(patch)]).length;
  const state = (zones: number, of: number) => (zones === 0 ? "open" : zones < of ? "part" : "done");
  return [
    { name: "talk", state: savedStage(visit, "talk") ? "done" : "open" },
    { name: "read", state: state(known.length, patches.length), zones: known.length, of: patches.length },
    // Not every zone has to be wished for: what isn't stays as it is.
    { name: "aim", state: aimZones === 0 ? "open" : "done", zones: aimZones },
    { name: "plan", state: bodyOf(visit, "plan").cut.moves.length > 0 ? "done" : "open" },
    { name: "mark", state: state(markZones, Math.max(wished, 1)), zones: markZones },
  ];
}
