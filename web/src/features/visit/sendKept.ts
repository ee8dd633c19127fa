/** What a person left on this device, in visits that aren't open now, is handed over when they are there and the server is. */
import { documentKey, isAway, openDocuments, sendEdit } from "./useDocument";
import { keepEdits, keptBy } from "./journal";

export async function sendKept(person: string): Promise<void> {
  for (const edit of await keptBy(person)) {
    if (openDocuments.has(documentKey(edit.visit, edit.stage))) continue;
    try {
      await keepEdits([{ ...edit, sent: true }], []);
      await sendEdit(edit);
      await keepEdits([], [edit.key]);
    } catch (error) {
      if (isAway(error)) return;
      // It waits for the visit to be opened: there it is shown what is wrong with it, or what somebody else changed.
    }
  }
}
