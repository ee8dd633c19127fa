/** What a person left on this device, in visits that aren't open now, is handed over when they are there and the server is. */
import { uniqBy } from "lodash-es";
import { documentKey, unlessHeld } from "./held";
import { keepEdits, keptBy, keptOf } from "./journal";
import { isAway, sendEdit } from "./useDocument";

export async function sendKept(person: string): Promise<void> {
  const keyOf = ({ visit, stage }: Left) => documentKey(person, visit, stage);
  for (const left of uniqBy(await keptBy(person), keyOf)) await unlessHeld(keyOf(left), () => send(left));
}

type Left = Awaited<ReturnType<typeof keptBy>>[number];

async function send({ person, visit, stage }: Left): Promise<void> {
  for (const edit of await keptOf(person, visit, stage)) {
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
