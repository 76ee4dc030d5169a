import { startTransition, useState } from "react";
import { createRoot } from "react-dom/client";
import { afterEach, beforeEach, expect, test } from "vitest";
import { useWindowKeys } from "./use-window-keys";

/** As in a browser: React commits when it comes to it, and nobody waits for its effects. */
const world = globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean };
beforeEach(() => void (world.IS_REACT_ACT_ENVIRONMENT = false));
afterEach(() => void (world.IS_REACT_ACT_ENVIRONMENT = true));

test("a key that is pressed as soon as the next screen can be seen is heard by it, once, and no more by the one before", async () => {
  const heard: string[] = [];
  function Screen({ name }: { name: string }) {
    useWindowKeys((event) => void heard.push(`${name} ${event.key}`));
    return <main>{name}</main>;
  }
  let go = (_: string) => {};
  function Screens() {
    const [name, setName] = useState("first");
    go = (next) => startTransition(() => setName(next));
    return <Screen key={name} name={name} />;
  }
  const place = document.body.appendChild(document.createElement("div"));
  const root = createRoot(place);
  const isSeen = (name: string) =>
    new Promise<void>((resolve) => {
      const look = new MutationObserver(() => {
        if (place.textContent !== name) return;
        look.disconnect();
        window.dispatchEvent(new KeyboardEvent("keydown", { key: "k" }));
        resolve();
      });
      look.observe(place, { childList: true, subtree: true });
    });
  const first = isSeen("first");
  root.render(<Screens />);
  await first;
  const second = isSeen("second");
  go("second");
  await second;
  root.unmount();
  expect(heard).toEqual(["first k", "second k"]);
});
