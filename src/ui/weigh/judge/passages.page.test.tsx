import { fireEvent, render, screen } from "@testing-library/react";
import { useState } from "react";
import { expect, test } from "vitest";
import { LONGEST_WHY } from "@/core/appraise/answers";
import { Passages } from "./passages";

function Reason({ passages, begin }: { passages: string[]; begin: string }) {
  const [why, setWhy] = useState(begin);
  return (
    <>
      <p data-testid="why">{why}</p>
      <Passages passages={passages} why={why} onQuote={setWhy} />
    </>
  );
}
const offered = () => screen.queryAllByRole("option").map(({ textContent }) => textContent);

test("what is marked is quoted behind what was written, once, and what has no room is not offered", () => {
  const long = "bog ".repeat(LONGEST_WHY / 4);
  render(<Reason passages={["fed by\n rain", "a millimetre a year", long]} begin="Two sources say so: " />);
  expect(offered()).toEqual(["Quote what is marked …", "“fed by rain”", "“a millimetre a year”"]);
  fireEvent.change(screen.getByLabelText("Quote what is marked"), { target: { value: "0" } });
  expect(screen.getByTestId("why").textContent).toBe("Two sources say so: “fed by rain”");
  expect(offered()).toEqual(["Quote what is marked …", "“a millimetre a year”"]);
  fireEvent.change(screen.getByLabelText("Quote what is marked"), { target: { value: "0" } });
  expect(screen.getByTestId("why").textContent).toContain("“a millimetre a year”");
  expect(offered(), "where nothing is left to be quoted nothing is asked").toEqual([]);
});
