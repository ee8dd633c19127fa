export { Refused, Unreachable, body, client, whenSignedOut } from "./client";
export type * from "./types";
