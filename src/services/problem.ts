/** What is wrong with one field, in words for the person; `field` is its name in the input. */
export type FieldProblem = { field: string; detail: string };

const STATUS = {
  "not-valid": 422,
  "not-signed-in": 401,
  "not-allowed": 403,
  "not-found": 404,
  conflict: 409,
  "too-large": 413,
} as const;
export type ProblemKind = keyof typeof STATUS;

const TITLES: Record<ProblemKind, string> = {
  "not-valid": "Something needs another look",
  "not-signed-in": "Sign in first",
  "not-allowed": "Your role does not allow this",
  "not-found": "There is nothing here, or it is not shared with you",
  conflict: "Somebody changed this meanwhile",
  "too-large": "That is too large",
};

/** A failure people are told about, carried to them as problem details (RFC 9457). */
export class Problem extends Error {
  readonly status: number;
  constructor(
    readonly kind: ProblemKind,
    readonly detail: string = TITLES[kind],
    readonly errors: FieldProblem[] = [],
  ) {
    super(detail);
    this.status = STATUS[kind];
  }

  /** The members of RFC 9457 §3.1, and `errors` with a JSON pointer each, as its §3 example has them. */
  toJSON() {
    return {
      type: `urn:hobbin:problem:${this.kind}`,
      title: TITLES[this.kind],
      status: this.status,
      detail: this.detail,
      ...(this.errors.length && {
        errors: this.errors.map(({ field, detail }) => ({ detail, pointer: `#/${field}` })),
      }),
    };
  }
}

/** A problem with a single field. */
export const fieldProblem = (field: string, detail: string) =>
  new Problem("not-valid", detail, [{ field, detail }]);
