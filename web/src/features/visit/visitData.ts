import {
  body,
  client,
  type Aim,
  type Plan,
  type RawReading,
  type Saved,
  type Stage,
  type Talk,
  type Visit,
} from "@/api";
import { useQuery, useQueryClient } from "@tanstack/vue-query";
import type { InjectionKey, MaybeRefOrGetter, Ref } from "vue";
import { computed, inject, toValue } from "vue";

export interface StageBodies {
  talk: Talk;
  read: RawReading;
  aim: Aim;
  plan: Plan;
}

/** What a stage holds before anything was said, measured or wished. */
export const EMPTY: { [S in Stage]: StageBodies[S] } = {
  talk: {
    reasons: [],
    worn: "as_it_springs",
    front_straight: false,
    ties_back: false,
    part: "not_said",
    minutes_a_day: null,
    fear: "",
    chemical_history: "",
    scalp_concern: false,
    infestation: false,
    styled_by: "not_said",
    fringe: "not_said",
    glasses: false,
    climate: "not_said",
    products: "",
    weeks_since_cut: null,
    treatments: [],
    events: [],
    minor: false,
    guardian_agrees: false,
    photographs: null,
    noted: [],
    notes: "",
  },
  read: { measures: {}, zones: {}, hairs_per_cm2: 180 },
  aim: { risk: 0.05, zones: {} },
  plan: {
    cut: { format: "spirel.cut", version: 1, name: "", purpose: "", moves: [] },
  },
};

const keyOf = (id: string) => ["visit", id] as const;

export function useVisitQuery(id: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: computed(() => keyOf(toValue(id))),
    queryFn: () => body(client.GET("/api/visits/{id}", { params: { path: { id: toValue(id) } } })),
    staleTime: Infinity,
    gcTime: 0,
  });
}

/** The newest saved version of a stage, as it came with the visit or was saved since. */
export function savedStage<S extends Stage>(visit: Visit, stage: S): Saved<StageBodies[S]> | undefined {
  const found = visit.documents.find((document) => document.stage === stage);
  return found as unknown as Saved<StageBodies[S]> | undefined;
}

/** The body of a stage, or what it is before it was begun. */
export function bodyOf<S extends Stage>(visit: Visit, stage: S): StageBodies[S] {
  return { ...EMPTY[stage], ...savedStage(visit, stage)?.body };
}

/** What was said of how the hair is worn, as far as its marks follow from it. */
export function wornOf(visit: Visit): Pick<StageBodies["talk"], "worn" | "front_straight" | "fringe" | "climate"> {
  const { worn, front_straight, fringe, climate } = bodyOf(visit, "talk");
  return { worn, front_straight, fringe, climate };
}

/** Puts a saved version into the visit that every stage sees. */
export function useStageSaved(id: string) {
  const cache = useQueryClient();
  return (saved: Saved<object>) =>
    cache.setQueryData<Visit>(keyOf(id), (visit) => {
      if (!visit) return visit;
      const rest = visit.documents.filter((document) => document.stage !== saved.stage);
      return { ...visit, documents: [...rest, saved as Visit["documents"][number]] };
    });
}

const VISIT: InjectionKey<Ref<Visit>> = Symbol("visit");
export { VISIT };

/** The visit whose stage this is. */
export function useVisit(): Ref<Visit> {
  const visit = inject(VISIT);
  if (!visit) throw new Error("A stage stands inside a visit.");
  return visit;
}
