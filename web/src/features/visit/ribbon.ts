import type { Stage, Visit } from "@/api";
import { ZONES } from "@/shared/zones";
import { bodyOf, savedStage } from "./visitData";

export type StageName = Stage | "mark";

export interface RibbonStage {
  name: StageName;
  /** Done: nothing is missing. Part: begun, something is missing. Open: not begun. */
  state: "done" | "part" | "open";
  /** How many zones of how many, where a stage goes zone by zone. */
  zones?: number;
}

/** The stages that exist, with how far each has come. */
export function ribbon(visit: Visit): RibbonStage[] {
  const read = bodyOf(visit, "read").zones ?? {};
  const aim = bodyOf(visit, "aim").zones;
  const isRead = (zone: (typeof ZONES)[number]) => Boolean(read[zone]?.stretched_mm && read[zone]?.sprung_mm);
  const readZones = ZONES.filter(isRead).length;
  const aimZones = ZONES.filter((zone) => aim[zone]).length;
  const markZones = ZONES.filter((zone) => aim[zone] && isRead(zone)).length;
  const state = (zones: number, of: number) => (zones === 0 ? "open" : zones < of ? "part" : "done");
  return [
    { name: "talk", state: savedStage(visit, "talk") ? "done" : "open" },
    { name: "read", state: state(readZones, ZONES.length), zones: readZones },
    // Not every zone has to be wished for: what isn't stays as it is.
    { name: "aim", state: aimZones === 0 ? "open" : "done", zones: aimZones },
    { name: "plan", state: bodyOf(visit, "plan").cut.moves.length > 0 ? "done" : "open" },
    { name: "mark", state: state(markZones, Math.max(aimZones, 1)), zones: markZones },
  ];
}
