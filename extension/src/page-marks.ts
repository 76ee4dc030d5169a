import { MarkedText } from "@/core/marks/place";
import { quoteAt } from "@/core/marks/selectors";
import { CopyMap } from "@/ui/read/marks/copy-map";
import { paint } from "@/ui/read/marks/paint";
import { type Selected, selectedNow } from "@/ui/read/marks/selected-now";
import { newId } from "./api";
import type { Answer, Mark, MarkedPage, OnPage, Wish } from "./marking";
import { type Made, MarksPanel } from "./marks-panel";

/** The script in the page: finds the words that are marked, paints them, and marks what is selected. */

/** A longer page is marked in its reading copy. */
const LONGEST = 2_000_000;
/** So long after a change the page is looked at again, and so often at most. */
const QUIET = 1_000;
const MOST_LOOKS = 60;
/** What is no text of a page. */
const NO_TEXT = new Set(
  "script style noscript template iframe object svg math textarea select input button head".split(" "),
);

type Shown = { page: MarkedPage; mark: Mark; range: Range | null; sure: number; at: number };

const ask = <T>(wish: Wish | { what: "bring-in" }): Promise<Answer<T>> => chrome.runtime.sendMessage(wish);

class PageMarks {
  #known: OnPage | null = null;
  #problem = "";
  #map: CopyMap | null = null;
  #shown: Shown[] = [];
  #chosen: string | null = null;
  #selected: Selected | null = null;
  #unpaint = () => {};
  #address = location.href;
  #looks = 0;
  readonly #panel = new MarksPanel({
    choose: (id) => this.#choose(id),
    make: (made) => this.#make(made),
    remove: (id) => this.#do({ what: "unmark", mark: id }),
    bringIn: async () => {
      await ask({ what: "bring-in" });
      await this.read();
    },
    leave: () => {
      this.#selected = null;
      this.#draw();
    },
  });

  constructor() {
    let selecting = 0;
    document.addEventListener("selectionchange", () => {
      clearTimeout(selecting);
      selecting = window.setTimeout(() => this.#select(), 150);
    });
    let looking = 0;
    const changes = new MutationObserver(() => {
      // A page that never rests is looked at all the same.
      looking ||= window.setTimeout(() => {
        looking = 0;
        if (++this.#looks > MOST_LOOKS) return changes.disconnect();
        // A page that shows another one in its place has another address.
        if (location.href !== this.#address) return void this.read();
        this.#look();
      }, QUIET);
    });
    changes.observe(document.body, { childList: true, subtree: true, characterData: true });
  }

  /** The person asks for it: what is selected is to be marked; and all is read again. */
  async asked(): Promise<void> {
    this.#panel.open();
    await this.read();
    this.#select();
    if (this.#selected) this.#panel.focusNote();
  }

  async read(): Promise<void> {
    this.#address = location.href;
    const answer = await ask<OnPage>({ what: "marks-of", address: this.#address });
    this.#problem = "problem" in answer ? answer.problem : "";
    if ("said" in answer) this.#known = answer.said;
    this.#map = null;
    this.#look();
  }

  #look(): void {
    const map = this.#mapNow();
    if (!map) return this.#draw();
    if (
      map.text === this.#map?.text &&
      this.#shown.every(({ range }) => !range || range.startContainer.isConnected)
    )
      return;
    this.#map = map;
    const text = new MarkedText(map.text);
    this.#shown = (this.#known?.pages ?? []).flatMap((page) =>
      page.marks.map((mark) => {
        const { quote: exact, prefix, suffix } = mark;
        const place = exact && !mark.fragment ? text.place({ exact, prefix, suffix }) : null;
        const range = place && map.range(place.start, place.end);
        return { page, mark, range, sure: place?.sure ?? 0, at: place?.start ?? Infinity };
      }),
    );
    // As they stand here, whatever copy the team reads.
    this.#shown.sort((a, b) => (a.at === b.at ? 0 : a.at - b.at));
    this.#draw();
  }

  #mapNow(): CopyMap | null {
    try {
      const map = new CopyMap(
        document.body,
        (one) => NO_TEXT.has(one.localName) || one.hasAttribute("hidden"),
      );
      if (map.text.length <= LONGEST) return map;
    } catch (error) {
      // Nested so deep that nobody can walk through it.
      if (!(error instanceof RangeError)) throw error;
    }
    this.#problem = "This page is too long to be marked here. Bring it in, and mark its reading copy.";
    return null;
  }

  #draw(): void {
    this.#unpaint();
    this.#unpaint = paint(
      this.#shown.flatMap(({ page, mark, range, sure }) =>
        range
          ? [
              {
                id: mark.id,
                range,
                sure: sure * 100,
                look: page.meanings.find((one) => one.id === mark.meaning) ?? null,
              },
            ]
          : [],
      ),
      this.#chosen,
    );
    this.#panel.draw({
      known: this.#known,
      problem: this.#problem,
      shown: this.#shown,
      chosen: this.#chosen,
      words:
        this.#selected && this.#map ? this.#map.text.slice(this.#selected.start, this.#selected.end) : null,
    });
  }

  #choose(id: string): void {
    this.#chosen = id;
    const range = this.#shown.find(({ mark }) => mark.id === id)?.range;
    range?.startContainer.parentElement?.scrollIntoView({ block: "center" });
    this.#draw();
  }

  #select(): void {
    // Who writes in the panel has another selection there.
    if (!this.#map || this.#panel.hasFocus() || !this.#panel.isOpen) return;
    const selected = selectedNow(this.#map);
    if (selected?.start === this.#selected?.start && selected?.end === this.#selected?.end) return;
    this.#selected = selected;
    this.#draw();
  }

  async #make({ page, meaning, note, alone }: Made): Promise<string> {
    if (!this.#map || !this.#selected) return "";
    const selector = {
      type: "TextQuoteSelector",
      ...quoteAt(this.#map.text, this.#selected.start, this.#selected.end),
    };
    const input = { mark: newId(), resource: page.resource, private: alone, meaning, note, selector };
    const problem = await this.#do({ what: "mark", input });
    if (problem) return problem;
    this.#selected = null;
    document.getSelection()?.removeAllRanges();
    this.#draw();
    return "";
  }

  /** @returns what went wrong, in words; empty when it is done */
  async #do(wish: Wish): Promise<string> {
    const answer = await ask(wish);
    if ("problem" in answer) return answer.problem;
    await this.read();
    return "";
  }
}

// On a site that is allowed it comes by itself, and keeps small; by a press it is asked for (`showMarks`).
const here = globalThis as { hobbinMarks?: PageMarks; hobbinAsked?: boolean };
here.hobbinMarks ??= new PageMarks();
void (here.hobbinAsked ? here.hobbinMarks.asked() : here.hobbinMarks.read());
here.hobbinAsked = false;
