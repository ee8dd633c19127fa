import { body, client, contract, type Saved, type Stage, type StageDocuments, type Visit } from "@/api";
import { useQuery, useQueryClient } from "@tanstack/vue-query";
import type { InjectionKey, MaybeRefOrGetter, Ref } from "vue";
import { computed, inject, toValue } from "vue";

/** What each stage keeps. */
export type StageBodies = StageDocuments;

/** What a stage holds before anything was said, measured or wished. */
export const EMPTY: { [S in Stage]: StageBodies[S] } = contract.stages;

export const keyOf = (id: string) => ["visit", id] as const;

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
