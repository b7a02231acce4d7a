/** Outcomes that can fail in ways a user must hear of are values with a reason; exceptions are for bugs. */

/** `reason` is a whole sentence for whoever asked: what is the case, and what to do. */
export interface Refused {
  ok: false;
  reason: string;
}

/** What came out, or why nothing did. `More` is what a refusal tells beside its reason. */
export type Result<T extends object = object, More extends object = object> = ({ ok: true } & T) | (Refused & More);

export const refuse = (reason: string): Refused => ({ ok: false, reason });
