import { describe, expect, it } from "vitest";
import { MarkedText } from "./place";
import { quoteAt } from "./selectors";

const PAGE = `Water stands in the hollows from October on. Sphagnum holds twenty times its weight in water, and lets it go slowly.
The peat below it is older than any church in the valley; it grows a millimetre a year where nobody drains it.
Who walks there in spring hears the snipe before they see the cotton grass. In the hollows the water stands until May.`;

const quoteOf = (words: string, text = PAGE) => {
  const at = text.indexOf(words);
  return { quote: quoteAt(text, at, at + words.length), at };
};
const placed = (words: string, text: string) => {
  const { quote, at } = quoteOf(words);
  const place = new MarkedText(text).place(quote, at);
  return place && { words: text.slice(place.start, place.end), sure: place.sure };
};

describe("a passage in another version of its text", () => {
  it("is where it was when nothing has changed, whatever stands as often", () => {
    expect(placed("twenty times its weight", PAGE)).toEqual({ words: "twenty times its weight", sure: 1 });
    const second = PAGE.lastIndexOf("hollows");
    const place = new MarkedText(PAGE).place(quoteAt(PAGE, second, second + 7), 0);
    expect(place).toEqual({ start: second, end: second + 7, sure: 1 });
  });

  it("goes with its paragraph, through other blanks, quotation marks and accents", () => {
    const [first, ...rest] = PAGE.split("\n");
    expect(placed("lets it go slowly", [...rest, first].join("\n\n  "))?.words).toBe("lets it go slowly");
    const quote = { exact: "l’herbe à coton", prefix: "Au printemps ", suffix: " fleurit" };
    const text = "Au printemps  l'herbe\u00a0a coton fleurit.";
    const place = new MarkedText(text).place(quote)!;
    expect(text.slice(place.start, place.end)).toBe("l'herbe\u00a0a coton");
  });

  it("is found reworded, and looks unsure the more it is", () => {
    const other = PAGE.replace(
      "older than any church in the valley",
      "far older than every church of this valley",
    );
    const near = placed("is older than any church in the valley; it grows a millimetre a year", other)!;
    expect(near.words).toBe("is far older than every church of this valley; it grows a millimetre a year");
    expect(near.sure).toBeLessThan(1);
    const between = PAGE.replace(
      "holds twenty times its weight in water",
      "takes up water, twenty times what it weighs",
    );
    expect(placed("Sphagnum holds twenty times its weight in water", between)?.sure ?? 0).toBeLessThan(0.8);
  });

  it("is lost where it is gone, and is not put at the next best thing", () => {
    expect(placed("hears the snipe before they see the cotton grass", "We have moved.")).toBeNull();
    expect(
      placed("the hollows", "The bog hollows itself out. In all the hollows nothing stands."),
    ).toBeNull();
    expect(placed("in water", PAGE.replaceAll("in water", "of rain"))).toBeNull();
  });

  it("takes a time that goes with the length of both", () => {
    const long = Array.from(
      { length: 4_000 },
      (_, i) => `Line ${i} of the log: depth ${i % 97} cm, pH ${i % 9}.`,
    );
    const text = long.join(" ");
    const marked = new MarkedText(text);
    const at = text.indexOf("Line 2031 ");
    const { exact, ...around } = quoteAt(text, at, at + 12_000);
    const changed = exact.replaceAll("depth 3", "level 3");
    const place = marked.place({ exact: changed, ...around })!;
    expect(Math.abs(place.start - at)).toBeLessThan(20);
    expect(Math.abs(place.end - at - 12_000)).toBeLessThan(20);
  });
});
