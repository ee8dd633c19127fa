import generated from "./contract.gen.json";
import type { Contract, Document } from "./schema.gen";

export { Refused, Unreachable, body, client, whenSignedOut } from "./client";
export * from "./schema.gen";

/** A saved version, its body in the form of its stage. */
export type Saved<T> = Omit<Document, "body"> & { body: T };

/** The rules that are the program's. */
export const contract = generated as unknown as Contract;
