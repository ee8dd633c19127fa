/**
 * What this device keeps of a document is one page's at a time. A page that read it there while another goes on writing it
 * would hand over half an edit under the key of the whole, and the rest would be taken for known.
 */
import type { Stage } from "@/api";

export const documentKey = (person: string, visit: string, stage: Stage) => `spirel ${person} ${visit} ${stage}`;

/** A browser has no locks for pages that didn't come safely: there each page knows of itself alone. */
const locks = (): LockManager | undefined => navigator.locks;

/** Acts once no other page has the document, and has it until what is returned is called. */
export function hold(document: string, act: () => Promise<void>): { ready: Promise<void>; release: () => void } {
  const given = locks();
  if (!given) return { ready: act(), release: () => undefined };
  const waiting = new AbortController();
  let release!: () => void;
  const left = new Promise<void>((done) => (release = done));
  const ready = new Promise<void>((done, failed) => {
    const held = given.request(document, { signal: waiting.signal }, async () => {
      await act().then(done, failed);
      await left;
    });
    // Who no longer waits for it has nothing to be ready for.
    held.catch(() => done());
  });
  return {
    ready,
    release: () => {
      waiting.abort();
      release();
    },
  };
}

/** Acts on a document unless a page has it; where that can't be known, it waits to be opened. */
export async function unlessHeld(document: string, act: () => Promise<void>): Promise<void> {
  await locks()?.request(document, { ifAvailable: true }, async (held) => {
    if (held) await act();
  });
}
