import fc from "fast-check";
import { expect, test } from "vitest";
import { readCaptions, writeVtt } from "./web-vtt";

test("WebVTT's own examples are read (W3C, WebVTT, 1.1, 1.3 and 1.6), without styles, notes and places", () => {
  const text = `\uFEFFWEBVTT - This file has cues.

STYLE
::cue { color: red }

NOTE a comment
over two lines

1 - Title Slide
00:11.000 --> 00:13.000 align:start position:10%
<v Roger Bingham>We are in New York City

00:00:13.000 --> 01:00:16.500
<i.foreground>We're</i> <font color="red">actually</font> at the Lucern Hotel
just down the street &amp; round
`;
  expect(readCaptions(text)).toEqual({
    ok: true,
    cues: [
      { from: 11_000, to: 13_000, text: "<v Roger Bingham>We are in New York City" },
      {
        from: 13_000,
        to: 3_616_500,
        text: "<i.foreground>We're</i> actually at the Lucern Hotel\njust down the street &amp; round",
      },
    ],
  });
});

test("SubRip is read, too; what cannot be read is named by its line", () => {
  const srt =
    "1\r\n00:00:01,600 --> 00:00:04,200\r\nThe bog in winter\r\n\r\n2\r\n00:00:05,000 --> 00:00:06,000\r\nIce";
  expect(readCaptions(srt)).toMatchObject({ ok: true, cues: [{ from: 1_600, to: 4_200 }, { text: "Ice" }] });
  expect(readCaptions("WEBVTT\n\n0:01 --> 0:02\nx")).toEqual({
    ok: false,
    line: 3,
    problem: "time-not-readable",
  });
  expect(readCaptions("WEBVTT\n\n00:02.000 --> 00:01.000\nx")).toMatchObject({
    line: 3,
    problem: "ends-before",
  });
  expect(readCaptions("Some text\nand more")).toMatchObject({ line: 1, problem: "no-captions" });
  expect(readCaptions("")).toMatchObject({ problem: "no-captions" });
  expect(readCaptions("WEBVTT\n")).toMatchObject({ problem: "no-captions" });
});

test("what is written is read back the same, whatever is in it", () => {
  const word = fc.stringMatching(/^[^\r\n<>\s][^\r\n<>]{0,40}$/).filter((text) => text.trim() === text);
  const cue = fc
    .tuple(
      fc.nat(99 * 3_600_000),
      fc.integer({ min: 1, max: 60_000 }),
      fc.array(word, { minLength: 1, maxLength: 3 }),
    )
    .map(([from, length, words]) => ({ from, to: from + length, text: words.join("\n") }));
  fc.assert(
    fc.property(fc.array(cue, { minLength: 1, maxLength: 20 }), (cues) => {
      const back = readCaptions(writeVtt(cues));
      expect(back).toEqual({
        ok: true,
        cues: cues.map((one) => ({ ...one, text: one.text.replaceAll("-->", "→") })),
      });
    }),
  );
});
