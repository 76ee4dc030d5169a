import fc from "fast-check";
import { expect, test } from "vitest";
import { isCurrency, MOST_MILLS, readPrice, sayPrice, writePrice } from "./price";
import { NO_WISH, shortlistCsv, shortlisted, type Wish } from "./shortlist";

test("a price is read as people write it, and what is none is none", () => {
  for (const [text, mills] of [
    ["12", 12_000],
    ["12.50", 12_500],
    ["12,5", 12_500],
    [" 1 234.50 ", 1_234_500],
    ["1.234,50", 1_234_500],
    ["1,234", 1_234_000],
    ["1’234.05", 1_234_050],
    ["1.234.567,5", 1_234_567_500],
    ["0,125", 125],
    ["0.5", 500],
    ["1234,125", 1_234_125],
  ] as const)
    expect(readPrice(text), text).toBe(mills);
  for (const text of [
    "",
    "-3",
    "12.5.5",
    "1,2,3",
    "1.234.56,7",
    "€",
    "12 eur",
    "1e9",
    "12.3456",
    "9".repeat(20),
  ])
    expect(readPrice(text), text).toBeNull();
});

test("what is written is read again as it was, and a sum of the dearest things is exact", () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: MOST_MILLS }), (mills) => {
      expect(readPrice(writePrice(mills))).toBe(mills);
    }),
  );
  const dearest = { thing: "a", wish: { price: MOST_MILLS, number: 1, priority: null } };
  expect(shortlisted(Array<typeof dearest>(2_000).fill(dearest), null).sum).toBe(2_000 * MOST_MILLS);
});

test("a currency has the digits it is paid with", () => {
  expect([sayPrice(12_500, "EUR"), sayPrice(12_000, "JPY"), sayPrice(1_234_125, "KWD")]).toEqual(
    ["€12.50", "¥12", "KWD 1,234.125"].map((words) => words.replace("KWD ", "KWD\u00a0")),
  );
  expect(["EUR", "XYZ", ""].map(isCurrency)).toEqual([true, false, false]);
});

const wish = (more: Partial<Wish>): Wish => ({ ...NO_WISH, ...more });

test("by priority, then as they came; the sum runs on, and says where the budget ends and what has no price", () => {
  const things = [
    { thing: "map", wish: wish({ price: 30_000 }) },
    { thing: "loupe", wish: wish({ price: 8_000, number: 10, priority: 2 }) },
    { thing: "key", wish: wish({ price: 12_500, number: 2, priority: 1 }) },
    { thing: "film", wish: wish({ priority: 1 }) },
    { thing: "none of it", wish: wish({ number: 0, priority: 3 }) },
  ];
  const { rows, sum, unpriced } = shortlisted(things, 100_000);
  expect(rows.map(({ thing, cost, sum, isOver }) => [thing, cost, sum, isOver])).toEqual([
    ["key", 25_000, 25_000, false],
    ["film", null, 25_000, false],
    ["loupe", 80_000, 105_000, true],
    ["none of it", null, 105_000, true],
    ["map", 30_000, 135_000, true],
  ]);
  expect([sum, unpriced]).toEqual([135_000, 1]);
});

test("as a table: money as it is read again, and nothing that a spreadsheet would compute", () => {
  const { rows } = shortlisted(
    [
      {
        thing: { title: "=1+1", siteName: "bog.example" },
        wish: wish({ price: 12_500, number: 2, priority: 1 }),
      },
    ],
    null,
  );
  expect(shortlistCsv(rows, "EUR").split("\r\n").slice(0, 2)).toEqual([
    "\uFEFFPriority,What,From,Price (EUR),Number,Cost (EUR),Sum so far (EUR)",
    `1,"'=1+1",bog.example,12.50,2,25,25`,
  ]);
});
