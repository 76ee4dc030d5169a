import type { Mark, MarkedPage, Meaning, OnPage } from "./marking";
import { el } from "./parts";

/** What is shown at the edge of a page: its marks, and the form that makes one. */

declare const SHADOW: ShadowRootMode;

export type Made = { page: MarkedPage; meaning: string | null; note: string; alone: boolean };
export type Drawn = {
  known: OnPage | null;
  problem: string;
  shown: { page: MarkedPage; mark: Mark; range: Range | null; sure: number }[];
  chosen: string | null;
  /** What is selected on the page. */
  words: string | null;
};
type Acts = {
  choose: (id: string) => void;
  /** @returns what went wrong */
  make: (made: Made) => Promise<string>;
  remove: (id: string) => Promise<string>;
  bringIn: () => Promise<void>;
  /** What is selected is not marked after all. */
  leave: () => void;
};

const STYLE = `
:host { all: initial; }
section { position: fixed; z-index: 2147483647; right: 12px; top: 12px; width: min(300px, calc(100vw - 24px)); max-height: min(70vh, calc(100vh - 24px)); overflow-y: auto; box-sizing: border-box; padding: 10px 12px; border: 1px solid #76857f; border-radius: 6px; background: #fbfcfa; color: #16211f; font: 14px/1.45 system-ui, sans-serif; box-shadow: 0 8px 24px rgb(0 0 0 / .2); }
section[hidden] { display: none; }
h2, h3 { margin: 0; font-size: 14px; font-weight: 600; }
h3 { margin-top: 10px; color: #4a5955; font-size: 13px; }
header { display: flex; align-items: center; gap: 8px; }
header h2 { margin-right: auto; }
ul { margin: 4px 0 0; padding: 0; list-style: none; }
li { padding: 6px 0; border-top: 1px solid #cfd6d0; }
p { margin: 4px 0 0; }
.quiet { color: #4a5955; font-size: 13px; }
.stop { color: #962b27; }
button { font: inherit; color: #0b5563; background: none; border: 0; padding: 2px 4px; border-radius: 4px; cursor: pointer; font-weight: 600; text-align: left; }
button.words { font-weight: 400; color: inherit; padding: 0; }
button.words[aria-pressed="true"] { background: #d9e9ec; }
button.accent { background: #0b5563; color: #fff; padding: 5px 12px; }
button:disabled { opacity: .6; }
:focus-visible { outline: 2px solid #0b5563; outline-offset: 1px; }
label { display: flex; gap: 6px; align-items: center; margin-top: 4px; }
label.above { display: block; font-size: 13px; font-weight: 600; margin-top: 8px; }
textarea, select { display: block; width: 100%; box-sizing: border-box; margin-top: 3px; padding: 5px 7px; border: 1px solid #76857f; border-radius: 4px; background: inherit; color: inherit; font: inherit; font-weight: 400; }
fieldset { margin: 8px 0 0; padding: 0; border: 0; }
legend { padding: 0; font-size: 13px; font-weight: 600; }
blockquote { margin: 6px 0 0; max-height: 4.4em; overflow: hidden; border-left: 3px solid #0b5563; padding-left: 8px; }
.row { display: flex; gap: 8px; align-items: center; margin-top: 8px; }
[data-pattern="line"] { text-decoration: underline solid 2px; }
[data-pattern="double"] { text-decoration: underline double 1.5px; }
[data-pattern="dots"] { text-decoration: underline dotted 3px; }
[data-pattern="dashes"] { text-decoration: underline dashed 2px; }
[data-pattern="wave"] { text-decoration: underline wavy 1.5px; }
@media (prefers-color-scheme: dark) {
  section { background: #18211f; color: #e8ede9; border-color: #71827b; }
  li { border-color: #2f3b38; }
  h3, .quiet { color: #a9b8b2; }
  button { color: #6fc3d3; }
  button.accent { background: #6fc3d3; color: #0b1b1f; }
  button.words[aria-pressed="true"] { background: #143840; }
  .stop { color: #ef8d84; }
}
`;

/** The panel at the edge of a page. What is in it the page's own script cannot look into. */
export class MarksPanel {
  /** Folded it is a line that says how many marks there are; without any it is not there, until it is asked for. */
  isOpen = false;
  readonly #host = el("div", { id: "hobbin-marks" });
  readonly #root = this.#host.attachShadow({ mode: SHADOW });
  readonly #box = el("section", { "aria-label": "Marks on this page, by Hobbin" });
  #drawn: Drawn | null = null;
  /** What is being written; it outlives whatever comes in meanwhile. */
  #form: { words: string; element: HTMLElement | null } | null = null;

  constructor(private readonly acts: Acts) {
    this.#root.append(el("style", {}, STYLE), this.#box);
    document.documentElement.append(this.#host);
  }

  hasFocus(): boolean {
    return document.activeElement === this.#host;
  }

  open(): void {
    this.isOpen = true;
    if (this.#drawn) this.draw(this.#drawn);
  }

  focusNote(): void {
    this.#box.querySelector("textarea")?.focus();
  }

  /** Draws all of it anew; whoever is somewhere in it by keyboard stays there. */
  draw(drawn: Drawn): void {
    const active = this.#root.activeElement as HTMLElement | null;
    this.#put(drawn);
    const again = active?.isConnected
      ? active
      : [...this.#box.querySelectorAll<HTMLElement>("[data-key]")].find(
          (one) => one.dataset.key === active?.dataset.key,
        );
    if (active && again !== this.#root.activeElement) again?.focus({ preventScroll: true });
  }

  #put(drawn: Drawn): void {
    this.#drawn = drawn;
    const { known, problem, words } = drawn;
    if (!words) this.#form = null;
    else if (this.#form?.words !== words) this.#form = { words, element: this.#making(words, known) };
    const count = drawn.shown.length;
    this.#box.hidden = !this.isOpen && !count;
    this.#box.replaceChildren(
      el(
        "header",
        {},
        el(
          "h2",
          {},
          count ? `${count} ${count === 1 ? "mark" : "marks"} on this page` : "Marks on this page",
        ),
        el(
          "button",
          {
            type: "button",
            "data-key": "fold",
            "aria-expanded": String(this.isOpen),
            click: () => {
              this.isOpen = !this.isOpen;
              this.draw(drawn);
            },
          },
          this.isOpen ? "Fold away" : "Show",
        ),
      ),
      ...(this.isOpen
        ? [
            problem ? el("p", { class: "stop", role: "alert" }, problem) : null,
            this.#form?.element ?? null,
            known && !known.pages.length ? this.#unknown() : null,
            ...(known?.pages ?? []).map((page) => this.#marksOf(page, drawn)),
          ].filter((one) => one !== null)
        : []),
    );
  }

  #unknown(): HTMLElement {
    const button = el(
      "button",
      {
        type: "button",
        click: () => {
          button.disabled = true;
          void this.acts.bringIn().finally(() => (button.disabled = false));
        },
      },
      "Bring it in",
    );
    return el(
      "p",
      { role: "status" },
      "It is in none of your catalogues, so nothing can be marked on it. ",
      button,
    );
  }

  #marksOf(page: MarkedPage, { shown, chosen, known }: Drawn): HTMLElement {
    const here = shown.filter((one) => one.page === page);
    return el(
      "div",
      {},
      el("h3", {}, page.teamName),
      here.length
        ? el("ul", {}, ...here.map((one) => this.#line(one, one.mark.id === chosen, known!.person)))
        : el("p", { class: "quiet" }, "No marks yet. Select some words."),
    );
  }

  #line({ page, mark, range, sure }: Drawn["shown"][number], isChosen: boolean, person: string): HTMLElement {
    const meaning = page.meanings.find((one) => one.id === mark.meaning);
    const words = mark.quote || mark.note || "A part of it";
    const about = [
      mark.by.name ?? "somebody",
      mark.private && "for you alone",
      !mark.quote ? "on the whole" : !range ? "place not found here" : sure < 0.8 && "place not sure",
    ]
      .filter(Boolean)
      .join(", ");
    const said = el("p", { class: "stop", role: "alert" });
    return el(
      "li",
      {},
      el(
        "button",
        {
          type: "button",
          class: "words",
          "data-key": mark.id,
          "aria-pressed": String(isChosen),
          click: () => this.acts.choose(mark.id),
        },
        words.length > 140 ? `${words.slice(0, 139)}…` : words,
      ),
      mark.quote && mark.note ? el("p", {}, mark.note) : null,
      el(
        "p",
        { class: "quiet" },
        meaning ? el("span", { "data-pattern": meaning.pattern }, meaning.name) : null,
        meaning ? ` · ${about}` : about,
        mark.by.id === person
          ? el(
              "button",
              {
                type: "button",
                click: () => void this.acts.remove(mark.id).then((problem) => (said.textContent = problem)),
              },
              "Take away",
            )
          : null,
      ),
      said,
    );
  }

  #making(words: string, known: OnPage | null): HTMLElement | null {
    const pages = known?.pages ?? [];
    if (!pages.length) return null;
    let page = pages[0]!;
    let meaning: string | null = null;
    const note = el("textarea", { "aria-label": "Note", rows: "2", maxlength: "4000" });
    const alone = el("input", { type: "checkbox" });
    const aloneWords = el("span", {});
    const said = el("p", { class: "stop", role: "alert" });
    const meanings = el("fieldset", {});
    const choice = (one: Meaning | null) =>
      el(
        "label",
        {},
        el("input", {
          type: "radio",
          name: "meaning",
          ...(one === null && { checked: true }),
          change: () => (meaning = one?.id ?? null),
        }),
        one ? el("span", { "data-pattern": one.pattern }, one.name) : "Nothing in particular",
      );
    const draw = () => {
      meaning = null;
      const named = page.meanings.filter((one) => !one.removed);
      meanings.replaceChildren(
        ...(named.length ? [el("legend", {}, "It means"), choice(null), ...named.map(choice)] : []),
      );
      // Whoever only looks on in a team marks for themselves.
      if (!page.brings) alone.checked = true;
      alone.disabled = !page.brings;
      aloneWords.textContent = page.brings ? "For me alone" : "For me alone: in this team I may only look on";
    };
    draw();
    const button = el("button", { type: "submit", class: "accent" }, "Mark");
    return el(
      "form",
      {
        "aria-label": "Mark the selected words",
        submit: (event: Event) => {
          event.preventDefault();
          button.disabled = true;
          void this.acts
            .make({ page, meaning, note: note.value, alone: alone.checked })
            .then((problem) => (said.textContent = problem))
            .finally(() => (button.disabled = false));
        },
        keydown: (event: KeyboardEvent) => {
          // The page has keys of its own, which are not meant here.
          event.stopPropagation();
          if (event.key === "Escape") this.acts.leave();
        },
      },
      el("blockquote", {}, words.length > 300 ? `${words.slice(0, 299)}…` : words),
      pages.length > 1
        ? el(
            "label",
            { class: "above" },
            "For",
            el(
              "select",
              {
                change: (event: Event) => {
                  page = pages[(event.target as HTMLSelectElement).selectedIndex]!;
                  draw();
                },
              },
              ...pages.map((one) => el("option", {}, one.teamName)),
            ),
          )
        : null,
      meanings,
      el("label", { class: "above" }, "Note", note),
      el("label", {}, alone, aloneWords),
      said,
      el(
        "div",
        { class: "row" },
        button,
        el("button", { type: "button", click: () => this.acts.leave() }, "Leave it"),
      ),
    );
  }
}
