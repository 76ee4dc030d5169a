import { expect, test } from "vitest";
import { isRightToLeft } from "./direction";

test("a language goes by its script, and by its usual one where none is named", () => {
  for (const language of ["ar", "he-IL", "fa", "az-Arab", "ur-PK"]) expect(isRightToLeft(language), language).toBe(true);
  for (const language of ["", "en", "de-CH", "ur-Latn", "ks-Deva", "arn"]) expect(isRightToLeft(language), language).toBe(false);
}); // prettier-ignore
