/**
 * Edits that the server doesn't have yet, and the steps that can be taken back, kept on this device: each under the person who made
 * them, so that on a shared tablet nobody hands over what another typed.
 */
import type { Operation, Stage } from "@/api";
import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import type { Steps } from "./useHistory";

/** How long steps can be taken back, ms: a day at the chair. */
const STEPS_LAST_MS = 14 * 3_600_000;

export interface KeptEdit {
  /** What makes it land once, however often it is sent. */
  key: string;
  person: string;
  visit: string;
  stage: Stage;
  operations: Operation[];
  /** Whether it may have reached the server: then it isn't changed any more. */
  sent: boolean;
  /** When it was begun, ms: they are sent in this order. */
  at: number;
}

interface Schema extends DBSchema {
  edits: { key: string; value: KeptEdit; indexes: { document: [string, string, string]; person: string } };
  steps: { key: string; value: Steps & { at: number } };
}

let opened: Promise<IDBPDatabase<Schema>> | undefined;

function database(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>("spirel", 2, {
    upgrade(made, from) {
      made.createObjectStore("steps");
      if (from > 0) return;
      const edits = made.createObjectStore("edits", { keyPath: "key" });
      edits.createIndex("document", ["person", "visit", "stage"]);
      edits.createIndex("person", "person");
    },
    // Another page has it deleted: the next question opens it anew.
    blocking: () => (opened = undefined),
    terminated: () => (opened = undefined),
  }).catch((error: unknown) => {
    opened = undefined;
    throw error;
  });
  return opened;
}

const inOrder = (edits: KeptEdit[]) => edits.sort((a, b) => a.at - b.at);

/** What a person left of a stage's document. */
export async function keptOf(person: string, visit: string, stage: Stage): Promise<KeptEdit[]> {
  return inOrder(await (await database()).getAllFromIndex("edits", "document", [person, visit, stage]));
}

/** All that a person left. */
export async function keptBy(person: string): Promise<KeptEdit[]> {
  return inOrder(await (await database()).getAllFromIndex("edits", "person", person));
}

/** Keeps some edits and forgets others, both or neither. */
export async function keepEdits(edits: readonly KeptEdit[], forgotten: Iterable<string>): Promise<void> {
  const change = (await database()).transaction("edits", "readwrite", { durability: "strict" });
  const steps: Promise<unknown>[] = [...forgotten].map((key) => change.store.delete(key));
  steps.push(...edits.map((edit) => change.store.put(edit)));
  await Promise.all([...steps, change.done]);
}

/** Keeps the steps of a document, by its key, and forgets those of documents that nobody has changed for long. */
export async function keepSteps(document: string, steps: Steps): Promise<void> {
  const change = (await database()).transaction("steps", "readwrite");
  await change.store.put({ ...steps, at: Date.now() }, document);
  for (let kept = await change.store.openCursor(); kept; kept = await kept.continue()) {
    if (Date.now() - kept.value.at > STEPS_LAST_MS) await kept.delete();
  }
  await change.done;
}

/** The steps that were kept of a document. */
export async function keptSteps(document: string): Promise<Steps | undefined> {
  const kept = await (await database()).get("steps", document);
  return kept && Date.now() - kept.at <= STEPS_LAST_MS ? { done: kept.done, undone: kept.undone } : undefined;
}
