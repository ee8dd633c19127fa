import createClient from "openapi-fetch";
import type { paths } from "./schema.gen";
import type { FieldFault, Message, ProblemDetails } from "./schema.gen";

/** The server answered, and refused. */
export class Refused extends Error {
  constructor(readonly problem: ProblemDetails) {
    super(problem.detail);
  }

  /** What is wrong with a field. */
  at(field: string): Message | undefined {
    return this.problem.fields.find((fault) => fault.field === field)?.message;
  }
}

/** The server can't be reached, or has too much to do: asking again later may help. */
export class Unreachable extends Error {
  constructor(
    message: string,
    /** How long it asks to be left, ms, where it said so. */
    readonly againAfterMs?: number,
    options?: ErrorOptions,
  ) {
    super(message, options);
  }
}

let signedOut: () => void = () => undefined;

/** Is called when the server no longer knows who is asking. */
export function whenSignedOut(act: () => void) {
  signedOut = act;
}

const client = createClient<paths>({ baseUrl: "/", fetch: reach });

async function reach(request: Request): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(request);
  } catch (cause) {
    if (request.signal.aborted) throw cause;
    throw new Unreachable("unreachable", undefined, { cause });
  }
  // A gateway in front of a stopped server answers for it, without a problem document; a busy server says when to come again.
  if (response.status >= 502 && response.status <= 504) {
    const seconds = Number(response.headers.get("retry-after"));
    throw new Unreachable(`status ${response.status}`, seconds > 0 ? 1000 * seconds : undefined);
  }
  return response;
}

/** The body of an answer, or the refusal as an error. */
async function body<T>(
  answer: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<Exclude<T, undefined>> {
  const { data, error, response } = await answer;
  if (!response.ok) {
    const problem = problemOf(error, response);
    if (problem.code === "not_signed_in") signedOut();
    throw new Refused(problem);
  }
  return data as Exclude<T, undefined>;
}

function problemOf(error: unknown, response: Response): ProblemDetails {
  if (typeof error === "object" && error !== null && "code" in error) return error as ProblemDetails;
  return {
    type: "about:blank",
    title: response.statusText,
    status: response.status,
    code: "defect",
    detail: response.statusText || String(response.status),
    message: { id: "error-defect" },
    safe: "",
    fields: [] as FieldFault[],
  };
}

export { body, client };
