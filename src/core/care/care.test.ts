import { expect, test } from "vitest";
import { asDomain, maySignUp } from "./sign-up";

test("a mail domain is read as people type it, and nothing else is one", () => {
  expect(["@School.Example", " mail.school.example. ", "xn--hxajbheg2az3al.example"].map(asDomain)).toEqual([
    "school.example",
    "mail.school.example",
    "xn--hxajbheg2az3al.example",
  ]);
  expect(
    ["", "school", "a@school.example", "-a.example", "https://a.example", `${"a.".repeat(130)}example`].map(
      asDomain,
    ),
  ).toEqual(Array(6).fill(null));
});

test("by domain only the whole of it counts, and an invitation opens every door", () => {
  const domains = { mode: "domains", domains: ["school.example"] } as const;
  expect(maySignUp(domains, "Ona@SCHOOL.example", false)).toBe(true);
  for (const email of [
    "ona@not-school.example",
    "ona@school.example.evil.example",
    "school.example@evil.example",
  ])
    expect(maySignUp(domains, email, false)).toBe(false);
  expect(maySignUp(domains, "ona@elsewhere.example", true)).toBe(true);
  expect(maySignUp({ mode: "invited", domains: ["school.example"] }, "ona@school.example", false)).toBe(
    false,
  );
  expect(maySignUp({ mode: "everybody", domains: [] }, "ona@elsewhere.example", false)).toBe(true);
});
