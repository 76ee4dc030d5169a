/** Small helpers for the extension's own pages: elements, a place to choose, tags with completion. */

type Attributes = Record<string, string | boolean | ((event: never) => void) | undefined>;

/** Makes an element; text is always text, never markup. */
export function el<K extends keyof HTMLElementTagNameMap>(
  name: K,
  attributes: Attributes = {},
  ...children: (Node | string | null)[]
): HTMLElementTagNameMap[K] {
  const element = document.createElement(name);
  for (const [key, value] of Object.entries(attributes)) {
    if (value === undefined || value === false) continue;
    if (typeof value === "function") element.addEventListener(key, value as EventListener);
    else element.setAttribute(key, value === true ? "" : value);
  }
  element.append(...children.filter((child) => child !== null));
  return element;
}

export const show = (...children: (Node | string | null)[]): void => {
  document.getElementById("main")!.replaceChildren(...children.filter((child) => child !== null));
};

export type Option = {
  key: string;
  words: string;
  about?: string;
  /** Something stands in it that can be gone into. */ deep?: boolean;
};

/**
 * A field with a list beneath (the combobox pattern of the ARIA Authoring Practices): type to narrow, arrows to go,
 * Enter takes. Enter with nothing typed is left to the form, so that it saves.
 */
export function combobox(options: {
  label: string;
  find: (typed: string) => Option[];
  onTake: (option: Option) => void;
  free?: (typed: string) => void;
  open?: boolean;
  /** Goes into what stands in an option (right arrow, or its arrow pressed), and out again (left arrow). */
  into?: (option: Option) => void;
  out?: () => boolean;
}): { element: HTMLElement; input: HTMLInputElement; draw: () => void } {
  const id = `list-${options.label.replace(/\W/g, "")}`;
  const input = el("input", {
    type: "text",
    role: "combobox",
    "aria-expanded": "true",
    "aria-controls": id,
    autocomplete: "off",
    "aria-label": options.label,
  });
  const list = el("ul", { class: "list", id, role: "listbox", "aria-label": options.label });
  let at = -1;
  let shown: Option[] = [];
  const draw = () => {
    shown = options.find(input.value.trim());
    list.hidden = !shown.length || (!options.open && !input.value.trim() && document.activeElement !== input);
    at = Math.min(at, shown.length - 1);
    if (input.value.trim() && at < 0 && !options.free) at = 0;
    list.replaceChildren(
      ...shown.map((option, i) =>
        el(
          "li",
          {
            role: "option",
            id: `${id}-${i}`,
            "aria-selected": String(i === at),
            mousedown: (event: Event) => (event.preventDefault(), take(option)),
          },
          option.words,
          option.about ? el("small", {}, ` ${option.about}`) : null,
          option.deep
            ? el(
                "button",
                {
                  type: "button",
                  class: "plain",
                  tabindex: "-1",
                  "aria-label": `What stands in ${option.words}`,
                  mousedown: (event: Event) => {
                    event.preventDefault();
                    event.stopPropagation();
                    goInto(option);
                  },
                },
                "›",
              )
            : null,
        ),
      ),
    );
    if (at >= 0) {
      input.setAttribute("aria-activedescendant", `${id}-${at}`);
      list.children[at]?.scrollIntoView({ block: "nearest" });
    } else input.removeAttribute("aria-activedescendant");
  };
  const goInto = (option: Option) => {
    input.value = "";
    at = -1;
    options.into?.(option);
    draw();
  };
  const take = (option: Option) => {
    input.value = "";
    at = -1;
    options.onTake(option);
    draw();
  };
  input.addEventListener("input", () => ((at = -1), draw()));
  input.addEventListener("focus", draw);
  input.addEventListener("blur", draw);
  input.addEventListener("keydown", (event) => {
    if (event.key === "ArrowDown") at = Math.min(at + 1, shown.length - 1);
    else if (event.key === "ArrowUp") at = Math.max(at - 1, 0);
    else if (event.key === "ArrowRight" && shown[at]?.deep) {
      event.preventDefault();
      return goInto(shown[at]!);
    } else if (event.key === "ArrowLeft" && !input.value && options.out?.()) at = -1;
    else if (event.key === "Enter" && at >= 0 && shown[at]) {
      event.preventDefault();
      return take(shown[at]!);
    } else if ((event.key === "Enter" || event.key === ",") && options.free && input.value.trim()) {
      event.preventDefault();
      options.free(input.value.trim());
      input.value = "";
    } else return;
    if (event.key.startsWith("Arrow")) event.preventDefault();
    draw();
  });
  const element = el("div", {}, el("label", { "aria-hidden": "true" }, options.label), input, list);
  draw();
  return { element, input, draw };
}
