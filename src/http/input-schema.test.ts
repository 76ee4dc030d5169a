import "reflect-metadata";
import { IsBoolean, IsInt, Max, Min } from "class-validator";
import { expect, test } from "vitest";
import { Described, Id, Ids, MaybeDescribed, MaybeText, Name, OneOf, Texts } from "@/mechanism/input";
import { inputSchema } from "./input-schema";

class Example {
  @Id() team: string;
  @Name("a title", 200) title: string;
  @MaybeText(4000) note?: string;
  @OneOf(["rows", "cards"]) view: string;
  @Texts(30, 80) tags: string[];
  @Ids(500) placements: string[];
  @IsInt() @Min(0) @Max(10_000) no: number;
  @Described({ type: "array", items: { type: "object", properties: {} } }) lines: unknown[];
  @IsBoolean() down: boolean;
  @MaybeDescribed({ type: "object", properties: { page: { type: "string" } } }) details?: object;
}

test("the validators of an input are its JSON Schema: types, bounds, lists, what may be left out", () => {
  expect(inputSchema(Example)).toEqual({
    type: "object",
    additionalProperties: false,
    required: ["team", "title", "view", "tags", "placements", "no", "lines", "down"],
    properties: {
      team: { type: "string", format: "uuid" },
      title: { type: "string", minLength: 1, maxLength: 200 },
      note: { type: "string", maxLength: 4000 },
      view: { type: "string", enum: ["rows", "cards"] },
      tags: { type: "array", maxItems: 30, items: { type: "string", maxLength: 80 } },
      placements: { type: "array", maxItems: 500, items: { type: "string", format: "uuid" } },
      no: { type: "integer", minimum: 0, maximum: 10_000 },
      lines: { type: "array", items: { type: "object", properties: {} } },
      down: { type: "boolean" },
      details: { type: "object", properties: { page: { type: "string" } } },
    },
  });
});

test("a rule that would go unsaid stops the description", async () => {
  const { IsEmail } = await import("class-validator");
  class Silent {
    @IsEmail() address: string;
  }
  expect(() => inputSchema(Silent)).toThrow(/isEmail of address/);
});
