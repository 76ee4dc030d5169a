import { fireEvent, render, screen } from "@testing-library/react";
import { expect, test } from "vitest";
import { WordsField } from "./words-field";

function field(readOnly = false) {
  render(
    <WordsField
      label="Title"
      value="Well 3"
      none="Give it a title"
      readOnly={readOnly}
      onSave={async () => {}}
    />,
  );
  return { words: () => screen.queryByRole("button"), field: () => screen.queryByLabelText("Title") };
}

test("words are a field from the press on: where the hand goes up does not matter, for things may have moved meanwhile", () => {
  const title = field();
  expect(title.field()).toBeNull();
  fireEvent.mouseDown(title.words()!, { button: 2 });
  expect(title.field(), "the other button is for the menu").toBeNull();
  fireEvent.mouseDown(title.words()!);
  fireEvent.mouseUp(document.body);
  expect(document.activeElement).toBe(title.field());
});

test("by key it is entered as any button is; who may not write reads", () => {
  const title = field();
  fireEvent.click(title.words()!);
  expect(document.activeElement).toBe(title.field());
  document.body.replaceChildren();
  const read = field(true);
  expect([read.words(), read.field()]).toEqual([null, null]);
  expect(screen.getByText("Well 3").tagName).toBe("P");
});
