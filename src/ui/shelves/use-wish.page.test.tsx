import { renderHook } from "@testing-library/react";
import { expect, test, vi } from "vitest";
import { useWish } from "./use-wish";

vi.mock("next/navigation", () => ({
  usePathname: () => "/shelves",
  // What is drawn stays behind the address, as it does while the page is busy.
  useSearchParams: () => new URLSearchParams(),
}));

test("a second choice made before the page has followed the first one adds to it", () => {
  const { result } = renderHook(() => useWish());
  result.current.go({ use: "lesson" });
  result.current.go({ by: "often" });
  const said = new URLSearchParams(window.location.search);
  expect(Object.fromEntries(said)).toEqual({ use: "lesson", by: "often" });
});
