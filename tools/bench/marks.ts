import { chromium } from "@playwright/test";
import { MarkedText } from "@/core/marks/place";
import { quoteAt } from "@/core/marks/selectors";
import { textOfCopy } from "@/core/marks/text-of-copy";
import { fitsIn } from "@/core/tray/fits-in";
import { mark } from "@/data/schema";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import options from "../lib/chromium.json" with { type: "json" };
import { scriptOf, scroll, signIn } from "./bench-screen";
import { as } from "./fill";
import { type Figure, median } from "./figures";

const TIMES = 5;
const WORDS =
  "moss peat water dam board hollow snipe core depth year ditch lawn level store slowly under before".split(
    " ",
  );
/** Text of so many characters, the same each time. */
function proseOf(length: number): string[] {
  let state = 7;
  const draw = () => (state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0) / 2 ** 32;
  const paragraphs: string[] = [];
  for (let had = 0; had < length; had += paragraphs.at(-1)!.length) {
    const words = Array.from({ length: 90 }, () => WORDS[Math.floor(draw() * WORDS.length)]);
    paragraphs.push(`Entry ${paragraphs.length}: ${words.join(" ")}.`);
  }
  return paragraphs;
}

/** What it costs to find marks again, to open and scroll a long text with many of them, and to make one. */
export async function* measureMarks(actor: Actor, team: string, base: string): AsyncGenerator<Figure> {
  yield placing();
  yield choosing();
  const { resource } = await as(actor, "capture.note", { team, text: "A long text" });
  const html = proseOf(1_000_000)
    .map((paragraph, i) => (i % 40 ? `<p>${paragraph}</p>` : `<h2>Part ${i / 40}</h2><p>${paragraph}</p>`))
    .join("");
  await as(actor, "resources.paste-text", { resource: resource.id, text: "x", html });
  const { html: stored, number } = await as(actor, "resources.text", { resource: resource.id });
  const text = textOfCopy(stored!);
  const own = { team, resource: resource.id, person: actor.person!.id, private: false, meaning: null };
  const rows = Array.from({ length: 500 }, (_, i) => {
    const start = 1 + Math.floor((i * (text.length - 200)) / 500);
    const { exact: quote, ...around } = quoteAt(text, start, start + 80);
    const at = new Date();
    return {
      ...own,
      ...{ id: newId(), quote, ...around, note: i % 3 ? "" : `Note ${i}`, version: number },
      ...{ start, end: start + 80, sure: 100, createdAt: at, updatedAt: at },
    };
  });
  await database().insert(mark).values(rows);
  const saved: number[] = [];
  for (let i = 0; i < 60; i++) {
    const start = 500 + i * 300;
    const selector = { type: "TextQuoteSelector", ...quoteAt(text, start, start + 60) };
    const from = performance.now();
    await as(actor, "marks.add", {
      ...{ resource: resource.id, private: false, selector, start, end: start + 60, version: number },
    });
    if (i >= 10) saved.push(performance.now() - from);
  }
  yield {
    what: "Saving a mark on a text of 1 MB, median of 50",
    measured: `${median(saved).toFixed(0)} ms`,
    aim: "under 60 ms",
    met: median(saved) < 60,
  };
  yield* onScreen(actor, resource.id, base);
}

/** Finding a thousand marks in another version of their text. */
function placing(): Figure {
  const paragraphs = proseOf(100_000);
  const before = paragraphs.join("\n");
  const marks = Array.from({ length: 1_000 }, (_, i) => {
    const start = Math.floor((i * (before.length - 100)) / 1_000);
    return { start, quote: quoteAt(before, start, start + 70) };
  });
  // Every tenth paragraph has other words, every tenth has moved to the end.
  const moved = paragraphs.filter((_, i) => i % 10 === 3);
  const after = [
    ...paragraphs
      .filter((_, i) => i % 10 !== 3)
      .map((one, i) => (i % 10 === 5 ? one.replace(/ (moss|water|level) /g, " other ") : one)),
    ...moved,
  ].join("\n");
  const from = performance.now();
  const text = new MarkedText(after);
  const lost = marks.filter(({ quote, start }) => !text.place(quote, start)).length;
  const took = performance.now() - from;
  return {
    what: "Placing 1,000 marks of a text of 100 KB of which a tenth was moved and a tenth reworded",
    measured: `${(took / 1000).toFixed(2)} s, ${lost} lost`,
    aim: "under 8 s",
    met: took < 8_000,
  };
}

/** What fits into twenty minutes among two thousand things. */
function choosing(): Figure {
  const waiting = Array.from({ length: 2_000 }, (_, i) => ({
    ...{ id: String(i), minutes: 1 + ((i * 7) % 23), days: (i * 13) % 400 },
  }));
  const times = Array.from({ length: 30 }, () => {
    const from = performance.now();
    fitsIn(waiting, 20);
    return performance.now() - from;
  });
  return {
    what: "What fits into 20 minutes among 2,000 things, median of 30",
    measured: `${median(times).toFixed(1)} ms`,
    aim: "under 50 ms",
    met: median(times) < 50,
  };
}

/** A text of 1 MB with 500 marks in the reading room. */
async function* onScreen(actor: Actor, resource: string, base: string): AsyncGenerator<Figure> {
  const browser = await chromium.launch(options);
  try {
    const page = await signIn(browser, actor, base);
    await page.addInitScript(() => {
      const seen = window as unknown as { marked: number };
      const look = () => {
        if (CSS.highlights.size) seen.marked = performance.now();
        else requestAnimationFrame(look);
      };
      look();
    });
    const seen: { paint: number; marked: number }[] = [];
    for (let i = 0; i < TIMES; i++) {
      await page.goto(`${base}/read/${resource}`);
      await page.waitForFunction(() => (window as unknown as { marked?: number }).marked);
      seen.push(
        await page.evaluate(() => {
          const [first] = performance.getEntriesByName("first-contentful-paint");
          return { paint: first!.startTime, marked: (window as unknown as { marked: number }).marked };
        }),
      );
    }
    const paint = median(seen.map((one) => one.paint));
    const marked = median(seen.map((one) => one.marked - one.paint));
    yield {
      what: `A reading copy of 1 MB, from asking for it to its first screen, median of ${TIMES}`,
      measured: `${paint.toFixed(0)} ms`,
      aim: "under 300 ms",
      met: paint < 300,
    };
    yield {
      what: `From its first screen to 500 marks on it, with the script that makes them, median of ${TIMES}`,
      measured: `${marked.toFixed(0)} ms`,
      aim: "said, not aimed at",
      met: true,
    };
    const frames = await scroll(page, "#main");
    yield {
      what: "Scrolling it, frames a second",
      measured: frames.toFixed(0),
      aim: "at least 55",
      met: frames >= 55,
    };
    const room = await scriptOf(page, `${base}/read/${resource}`, ".reading");
    // A page with nothing of ours on it but words: what the framework costs.
    const bare = await scriptOf(page, `${base}/credits`, "h1");
    const own = Math.round((room.first - bare.first) / 1000);
    yield {
      what: "Script of the reading room at first beside that of a page of words alone, compressed",
      measured: `${own} kB (${Math.round(room.first / 1000)} to ${Math.round(bare.first / 1000)})`,
      aim: "at most 120 kB",
      met: own <= 120,
    };
  } finally {
    await browser.close();
  }
}
