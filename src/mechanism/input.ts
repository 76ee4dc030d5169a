import "reflect-metadata";
import {
  ArrayMaxSize,
  IsArray,
  IsIn,
  IsNotEmpty,
  IsOptional,
  IsString,
  IsUUID,
  MaxLength,
  ValidateIf,
  type ValidationError,
  validateSync,
} from "class-validator";
import { Problem } from "./problem";

/** A class of fields with validators on them; the shape of what an action takes. */
export type InputClass<I> = new () => I;

type Decorate = (target: object, key: string) => void;
const all =
  (...decorators: PropertyDecorator[]): Decorate =>
  (target, key) =>
    decorators.forEach((decorate) => decorate(target, key));

/** The id of something. */
export const Id = () => all(IsUUID(undefined, { message: "This is no id." }));
/** An id, or nothing. */
export const MaybeId = () => all(IsOptional(), IsUUID(undefined, { message: "This is no id." }));
/**
 * Several ids.
 * @param most how many there may be
 */
export const Ids = (most = 500) =>
  all(IsArray(), ArrayMaxSize(most), IsUUID(undefined, { each: true, message: "This is no id." }));
/** Several ids, or nothing. */
export const MaybeIds = (most = 500) => all(IsOptional(), Ids(most) as PropertyDecorator);
/**
 * A name or title that must not be empty.
 * @param what what is called so, for the words of the refusal
 * @param most its greatest length in characters
 */
export const Name = (what: string, most: number) =>
  all(
    IsString({ message: `Give ${what}.` }),
    IsNotEmpty({ message: `Give ${what}.` }),
    MaxLength(most, { message: `At most ${most} characters, please.` }),
  );
/**
 * Text that may be left out.
 * @param most its greatest length in characters
 */
export const MaybeText = (most: number) =>
  all(
    ValidateIf((_, value) => value !== undefined),
    IsString({ message: "This must be text." }),
    MaxLength(most, { message: `At most ${most} characters, please.` }),
  );
/** One of a few words. */
export const OneOf = (values: readonly string[]) =>
  all(IsIn(values as string[], { message: `One of: ${values.join(", ")}.` }));
/** One of a few words, or nothing. */
export const MaybeOneOf = (values: readonly string[]) =>
  all(IsOptional(), IsIn(values as string[], { message: `One of: ${values.join(", ")}.` }));
/**
 * Several short texts.
 * @param most how many there may be
 * @param longest the greatest length of each in characters
 */
export const Texts = (most: number, longest: number) =>
  all(
    IsArray(),
    ArrayMaxSize(most),
    IsString({ each: true }),
    MaxLength(longest, { each: true, message: `At most ${longest} characters each, please.` }),
  );
/** Several short texts, or nothing. */
export const MaybeTexts = (most: number, longest: number) =>
  all(IsOptional(), Texts(most, longest) as PropertyDecorator);
/** An action that takes nothing. */
export class Nothing {}

/**
 * Makes an input of `raw` and checks it.
 * @param raw what came from outside, of any shape
 * @throws {Problem} not-valid, with every field that is wrong; fields the class does not know are wrong too
 */
export function checkInput<I extends object>(Input: InputClass<I>, raw: unknown): I {
  if (raw === null || typeof raw !== "object" || Array.isArray(raw)) throw new Problem("not-an-object");
  const input = new Input();
  for (const [key, value] of Object.entries(raw))
    if (key !== "__proto__") (input as Record<string, unknown>)[key] = trimmed(value);
  const errors = validateSync(input, {
    whitelist: true,
    forbidNonWhitelisted: true,
    forbidUnknownValues: false,
  });
  if (errors.length) throw new Problem("not-valid", undefined, errors.map(toProblem));
  return input;
}

const trimmed = (value: unknown) => (typeof value === "string" ? value.trim() : value);

function toProblem(error: ValidationError) {
  return {
    field: error.property,
    detail: Object.values(error.constraints ?? { unknown: "This is not right." })[0]!,
  };
}
