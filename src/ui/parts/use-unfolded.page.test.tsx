import { act } from "@testing-library/react";
import { hydrateRoot } from "react-dom/client";
import { renderToString } from "react-dom/server";
import { expect, test } from "vitest";
import { useUnfolded } from "./use-unfolded";

function Uncontrolled() {
  const [open, , unfolded] = useUnfolded();
  return (
    <details {...unfolded}>
      <summary>More</summary>
      {open && <p>What is told</p>}
    </details>
  );
}

function Controlled() {
  const [open, setOpen, unfolded] = useUnfolded();
  return (
    <details open={open} {...unfolded}>
      <summary>More</summary>
      {open && <button onClick={() => setOpen(false)}>Enough</button>}
    </details>
  );
}

test("what was opened before the page came alive shows what is in it, and closes again", async () => {
  for (const one of [<Uncontrolled key="a" />, <Controlled key="b" />]) {
    const page = document.createElement("div");
    page.innerHTML = renderToString(one);
    document.body.append(page);
    const details = page.querySelector("details")!;
    expect(details.children).toHaveLength(1);
    // As the browser does it, while no script listens.
    details.open = true;
    await act(async () => hydrateRoot(page, one));
    expect(details.open).toBe(true);
    expect(details.children).toHaveLength(2);
    const enough = page.querySelector("button");
    await act(async () => {
      if (enough) enough.click();
      else details.open = false;
    });
    await act(async () => details.dispatchEvent(new Event("toggle")));
    expect(details.open).toBe(false);
    expect(details.children).toHaveLength(1);
  }
});
