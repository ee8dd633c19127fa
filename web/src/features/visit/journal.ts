/**
 * Edits that the server doesn't have yet, kept on this device: each under the person who made it, so that on a shared tablet
 * nobody hands over what another typed.
 */
import type { Operation, Stage } from "@/api";
import { openDB, type DBSchema, type IDBPDatabase } from "idb";

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
}

let opened: Promise<IDBPDatabase<Schema>> | undefined;

function database(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>("spirel", 1, {
    upgrade(made) {
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
