import type { Stage } from "@/api";
import { useSession } from "@/features/session";
import { onKeyStroke } from "@vueuse/core";
import { useDocument, type VisitDocument } from "./useDocument";
import { EMPTY, savedStage, useStageSaved, useVisit, type StageBodies } from "./visitData";

/** The document of one stage of the visit around it. */
export function useStage<S extends Stage>(stage: S): VisitDocument<StageBodies[S]> {
  const visit = useVisit();
  const session = useSession();
  const saved = () => savedStage(visit.value, stage);
  // Nobody sees a visit who isn't signed in.
  const person = session.person?.id ?? "";
  return useDocument(person, visit.value.id, stage, saved, EMPTY[stage], {
    editable: session.mayEdit,
    onSaved: useStageSaved(visit.value.id),
  });
}

/** Ctrl+Z takes back, Ctrl+Shift+Z or Ctrl+Y does again, also from within a field: the field follows the document. */
export function useUndoKeys(document: Pick<VisitDocument<object>, "undo" | "redo">) {
  onKeyStroke(["z", "Z", "y"], (event) => {
    if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
    event.preventDefault();
    if (event.key === "y" || event.shiftKey) document.redo();
    else document.undo();
  });
}
