import { Refused, type Cut, type FallRequest, type FieldFault } from "@/api";
import { askFall } from "@/shared/ask";

/** A file that holds no cut, and what is wrong with it, if that is known. */
export class NoCut extends Error {
  constructor(readonly fault?: FieldFault) {
    super("no cut");
  }
}

/** The cut that a file holds. The core reads it before it is taken, so that nothing half right gets into a plan. */
export async function cutOf(text: string, question: FallRequest | undefined): Promise<Cut> {
  let cut: Cut;
  try {
    cut = JSON.parse(text) as Cut;
  } catch {
    throw new NoCut();
  }
  if (typeof cut !== "object" || cut === null || cut.format !== "spirel.cut") throw new NoCut();
  try {
    await askFall({ ...(question ?? { reading: {} }), plan: { cut } });
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    const fault = error.problem.fields.find((field) => field.field.startsWith("plan"));
    // Without a reading there is no fall: that is no fault of the cut.
    if (fault) throw new NoCut({ ...fault, field: fault.field.replace("plan.cut.", "") });
  }
  return cut;
}
