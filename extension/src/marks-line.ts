import { isAlways, pairedForMarks, showAlways } from "./marking";
import { el } from "./parts";

/**
 * The line of the small window about the marks of a page on itself: now, or on its site always.
 * @param tab in which the page is
 * @param closes whether the window closes when they are shown
 */
export async function marksHere(tab: number, address: string, closes: boolean): Promise<HTMLElement> {
  if (!(await pairedForMarks()))
    return el(
      "p",
      { class: "quiet" },
      "To mark on pages themselves, pair this browser for marks on the Account page.",
    );
  const always = el("input", { type: "checkbox", ...((await isAlways(address)) && { checked: true }) });
  always.addEventListener("change", () => {
    void showAlways(address, always.checked).then((is) => (always.checked = is));
  });
  return el(
    "div",
    { class: "row many" },
    el(
      "button",
      {
        type: "button",
        class: "plain",
        // Behind, where it goes on when this window is closed.
        click: () =>
          void chrome.runtime
            .sendMessage({ what: "show-marks", tab })
            .then(() => (closes ? window.close() : undefined)),
      },
      "Marks of this page",
    ),
    el("label", { class: "check" }, always, "Always on this site"),
  );
}
