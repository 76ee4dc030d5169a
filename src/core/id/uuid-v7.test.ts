import { expect, test } from "vitest";
import { uuidV7 } from "./uuid-v7";

test("the example of RFC 9562, appendix A.6", () => {
  // Time 0x017F22E279B0, rand_a 0xCC3, rand_b 0x18C4DC0C0C07398F (the variant bits are set by the function).
  const random = Uint8Array.from([0x0c, 0xc3, 0x18, 0xc4, 0xdc, 0x0c, 0x0c, 0x07, 0x39, 0x8f]);
  expect(uuidV7(0x017f22e279b0, random)).toBe("017f22e2-79b0-7cc3-98c4-dc0c0c07398f");
});

test("later ids sort after earlier ones", () => {
  const random = new Uint8Array(10).fill(255);
  expect(uuidV7(1_000_000, random) < uuidV7(1_000_001, new Uint8Array(10))).toBe(true);
});
