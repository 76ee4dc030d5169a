import { expect, test } from "vitest";
import { becomes } from "./leaving";

test("a team goes with the last who is in it, and never stays without an owner", () => {
  expect(becomes({ role: "owner", members: 1, owners: 1 })).toBe("goes");
  // Nobody is left who could let anybody in.
  expect(becomes({ role: "viewer", members: 1, owners: 0 })).toBe("goes");
  expect(becomes({ role: "owner", members: 2, owners: 1 })).toBe("needs an owner");
  expect(becomes({ role: "owner", members: 2, owners: 2 })).toBe("stays");
  expect(becomes({ role: "editor", members: 2, owners: 1 })).toBe("stays");
});
