import "reflect-metadata";
import {
  ArrayMaxSize,
  IsArray,
  IsBase64,
  IsIn,
  IsISO8601,
  IsNotEmpty,
  getMetadataStorage,
  IsOptional,
  IsRFC3339,
  IsString,
  IsUUID,
  Matches,
  MaxLength,
  ValidateBy,
  ValidateIf,
  type ValidationError,
  validateSync,
} from "class-validator";
import { STYLE_ID } from "@/core/cite/styles";
import { Problem } from "./problem";

/** A class of fields with validators on them; the shape of what an action takes. */
export type InputClass<I> = new () => I;

type Decorate = (target: object, key: string) => void;
const all =
  (...decorators: PropertyDecorator[]): Decorate =>
  (target, key) =>
    decorators.forEach((decorate) => decorate(target, key));

/** May be left out. Null is no way to leave something out: it says of what may be empty that it shall be. */
export const Optional = () => all(ValidateIf((_, value) => value !== undefined));
/** The id of something. */
export const Id = () => all(IsUUID(undefined, { message: "This is no id." }));
/** An id, or nothing; null says that there is none. */
export const MaybeId = () => all(IsOptional(), IsUUID(undefined, { message: "This is no id." }));
/**
 * Several ids.
 * @param most how many there may be
 */
export const Ids = (most = 500) =>
  all(IsArray(), ArrayMaxSize(most), IsUUID(undefined, { each: true, message: "This is no id." }));
/** Several ids, or nothing. */
export const MaybeIds = (most = 500) => all(Optional() as PropertyDecorator, Ids(most) as PropertyDecorator);
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
    Optional() as PropertyDecorator,
    IsString({ message: "This must be text." }),
    MaxLength(most, { message: `At most ${most} characters, please.` }),
  );
/**
 * What is looked for, taken as it was typed: a blank behind it says that its last word is done.
 * @param most its greatest length in characters
 */
export const MaybeSought = (most: number) => all(MaybeText(most) as PropertyDecorator, keepBlanks);
/** A picture in Base64, up to 6 MB. */
export const Picture = () =>
  all(
    IsBase64(undefined, { message: "This is no picture." }),
    MaxLength(8_200_000, { message: "At most 6 MB, please." }),
  );
/** A picture in Base64, or none is sent. */
export const MaybePicture = () => all(Optional() as PropertyDecorator, Picture() as PropertyDecorator);
/** A moment by RFC 3339, as text; null: none. */
export const MaybeMoment = () =>
  all(
    Optional() as PropertyDecorator,
    ValidateIf((_, value) => value !== null) as PropertyDecorator,
    IsRFC3339({ message: "Write a moment as 2026-03-09T17:00:00Z." }),
  );
/** A day as 2026-12-03; null: none. */
export const MaybeDay = () =>
  all(
    Optional() as PropertyDecorator,
    ValidateIf((_, value) => value !== null) as PropertyDecorator,
    Matches(/^\d{4}-\d\d-\d\d$/, { message: "Write a day as 2026-12-03." }),
    IsISO8601({ strict: true }, { message: "There is no such day." }),
  );
/** One of a few words. */
export const OneOf = (values: readonly string[]) =>
  all(IsIn(values as string[], { message: `One of: ${values.join(", ")}.` }));
/** One of a few words, or nothing. */
export const MaybeOneOf = (values: readonly string[]) =>
  all(
    Optional() as PropertyDecorator,
    IsIn(values as string[], { message: `One of: ${values.join(", ")}.` }),
  );
/** A citation style by its id. @param none whether empty stands for none */
export const Style = (none?: "or none") =>
  all(
    Matches(none ? new RegExp(`^$|${STYLE_ID.source}`) : STYLE_ID, { message: "This is no citation style." }),
  );
/** The same, or nothing. */
export const MaybeStyle = (none?: "or none") =>
  all(Optional() as PropertyDecorator, Style(none) as PropertyDecorator);
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
  all(Optional() as PropertyDecorator, Texts(most, longest) as PropertyDecorator);
/**
 * A list or an object whose shape is described, and made sure of by the action itself.
 * @param schema in JSON Schema; what it says of type is checked here
 */
export const Described = (schema: Readonly<Record<string, unknown>>) =>
  all(
    ValidateBy(
      {
        name: "isDescribed",
        constraints: [schema],
        validator: {
          validate: (value) =>
            schema.type === "array"
              ? Array.isArray(value)
              : typeof value === "object" && value !== null && !Array.isArray(value),
        },
      },
      { message: schema.type === "array" ? "This must be a list." : "This must be an object." },
    ),
  );
/** The same, or nothing. */
export const MaybeDescribed = (schema: Readonly<Record<string, unknown>>) =>
  all(Optional() as PropertyDecorator, Described(schema) as PropertyDecorator);
/**
 * By the name of a text: what it was when one began to write. Several where it is not known whether what was sent last
 * has arrived, the newest first.
 */
export type Base = Record<string, string | string[]>;

/** What the texts of a save began from, or nothing: whoever does not say it overwrites what others wrote meanwhile. */
export const MaybeBase = () =>
  all(
    Optional() as PropertyDecorator,
    ValidateBy(
      { name: "isBase", validator: { validate: isBase } },
      { message: "This must be texts by the names of fields." },
    ),
  );

/** The longest text that is merged, in characters. */
const LONGEST_BASE = 20_000;
const isBase = (value: unknown): value is Base =>
  typeof value === "object" &&
  value !== null &&
  !Array.isArray(value) &&
  Object.keys(value).length <= 20 &&
  Object.values(value).every((texts: unknown) => {
    const all: unknown[] = Array.isArray(texts) ? texts : [texts];
    return all.length <= 5 && all.every((one) => typeof one === "string" && one.length <= LONGEST_BASE);
  });

/** The fields of each input whose blanks at the ends mean something. */
const withBlanks = new WeakMap<object, Set<string>>();
const keepBlanks: PropertyDecorator = (target, key) =>
  void withBlanks.set(target, (withBlanks.get(target) ?? new Set()).add(String(key)));

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
    if (key !== "__proto__")
      (input as Record<string, unknown>)[key] =
        // Blanks at the ends of a password are part of it.
        key === "password" || withBlanks.get(Input.prototype as object)?.has(key)
          ? wellFormed(value, DEEPEST)
          : trimmed(wellFormed(value, DEEPEST));
  const errors = validateSync(input, {
    whitelist: true,
    forbidNonWhitelisted: true,
    forbidUnknownValues: false,
  });
  if (errors.length) throw new Problem("not-valid", undefined, errors.map(toProblem));
  for (const key of idsOf(Input))
    (input as Record<string, unknown>)[key] = lowered((input as Record<string, unknown>)[key]);
  return input;
}

/** How deep lists and objects may stand in each other. */
const DEEPEST = 12;

/**
 * The same with all text as Unicode has it: half a pair of surrogates, which no column holds, becomes the sign for what
 * cannot be shown.
 * @throws {Problem} not-valid, for what is deeper than anything anybody sends
 */
function wellFormed(value: unknown, deep: number): unknown {
  if (typeof value === "string") return value.replace(/\p{Surrogate}/gu, "\ufffd");
  if (value === null || typeof value !== "object") return value;
  if (!deep) throw new Problem("not-valid");
  if (Array.isArray(value)) return value.map((one) => wellFormed(one, deep - 1));
  return Object.fromEntries(
    Object.entries(value).map(([key, one]) => [wellFormed(key, deep) as string, wellFormed(one, deep - 1)]),
  );
}

/**
 * Ids are compared as text in the program and as numbers in the database, where capital letters are no difference; so
 * they are written one way from the door on.
 */
const lowered = (value: unknown): unknown =>
  typeof value === "string" ? value.toLowerCase() : Array.isArray(value) ? value.map(lowered) : value;

const ids = new WeakMap<InputClass<object>, string[]>();
/** The fields of an input that are ids, or lists of them. */
function idsOf(Input: InputClass<object>): string[] {
  let known = ids.get(Input);
  if (!known) {
    const rules = getMetadataStorage().getTargetValidationMetadatas(Input, "", false, false);
    known = rules.filter((rule) => rule.name === "isUuid").map((rule) => rule.propertyName);
    ids.set(Input, known);
  }
  return known;
}

const trimmed = (value: unknown) => (typeof value === "string" ? value.trim() : value);

function toProblem(error: ValidationError) {
  return {
    field: error.property,
    detail: Object.values(error.constraints ?? { unknown: "This is not right." })[0]!,
  };
}
