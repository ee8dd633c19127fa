/** What other screens of the house save is heard of here, and the visit that is open is read again. */
import type { EditNotice, Visit } from "@/api";
import { useQueryClient } from "@tanstack/vue-query";
import { useDocumentVisibility, useEventSource } from "@vueuse/core";
import { computed, toValue, watch, type MaybeRefOrGetter } from "vue";
import { keyOf } from "./visitData";

/** How long a line that broke is left before it is opened anew, ms. */
const AGAIN_MS = 2000;

export function useLive(visit: MaybeRefOrGetter<string>) {
  const cache = useQueryClient();
  // A browser has six connections to a server for all its pages, and saving needs one: a page that nobody looks at holds none.
  const seen = useDocumentVisibility();
  const address = computed(() => (seen.value === "visible" ? "/api/edits" : undefined));
  const line = useEventSource(address, [], { autoReconnect: { delay: AGAIN_MS } });
  const again = () => void cache.invalidateQueries({ queryKey: keyOf(toValue(visit)) });

  // What was saved before the line was open, or while it was not, wasn't heard.
  watch(line.status, (status) => status === "OPEN" && again());
  watch(line.data, (text) => {
    if (!text) return;
    const notice = JSON.parse(text) as EditNotice;
    if (notice.visit !== toValue(visit)) return;
    const known = cache.getQueryData<Visit>(keyOf(notice.visit))?.documents.find(({ stage }) => stage === notice.stage);
    if ((known?.version ?? 0) < notice.version) again();
  });
}
