import { KINDS, type ProblemCode, type ProblemKind, PROBLEMS } from "./problems";

/** What is wrong with one field, in words for the person; `field` is its name in the input. */
export type FieldProblem = {
  field: string;
  detail: string;
  /** What stands there now, where somebody else wrote the same words. */
  now?: string;
};

/** A failure people are told about, carried to them as problem details (RFC 9457). */
export class Problem extends Error {
  readonly kind: ProblemKind;
  readonly status: number;
  /**
   * @param code one of those listed in problems.ts
   * @param detail words for the person, where those of the list can be said more closely
   * @param errors what is wrong field by field
   */
  constructor(
    readonly code: ProblemCode,
    readonly detail: string = PROBLEMS[code].detail,
    readonly errors: FieldProblem[] = [],
  ) {
    super(detail);
    this.kind = PROBLEMS[code].kind;
    this.status = KINDS[this.kind].status;
  }

  /** The members of RFC 9457 §3.1, the code, and `errors` with a JSON pointer each, as its §3 example has them. */
  toJSON() {
    return {
      type: `urn:hobbin:problem:${this.code}`,
      code: this.code,
      title: KINDS[this.kind].title,
      status: this.status,
      detail: this.detail,
      ...(this.errors.length && {
        errors: this.errors.map(({ field, detail, now }) => ({ detail, pointer: `#/${field}`, now })),
      }),
    };
  }
}

/**
 * What is wrong with a text in which somebody else changed the same words.
 * @param field the name of the field, as in the input
 * @param now what stands there
 */
export const wordsDiffer = (field: string, now: string): FieldProblem => ({
  field,
  detail: "Somebody else changed the same words meanwhile.",
  now,
});

/**
 * A problem with a single field.
 * @param field the name of the field, as in the input
 * @param code one of `PROBLEMS`
 * @param detail what is said beside the field
 * @example
 * throw fieldProblem("title", "title-missing");
 */
export const fieldProblem = (field: string, code: ProblemCode, detail: string = PROBLEMS[code].detail) =>
  new Problem(code, detail, [{ field, detail }]);
