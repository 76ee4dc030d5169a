import { describe, expect, it } from "vitest";
import { readAnnotations } from "@/core/marks/annotations-read";
import { writeAnnotations } from "@/core/marks/annotations-write";
import { writeMarksCsv, writeMarksMarkdown } from "@/core/marks/marks-write";
import type { MarkOut } from "@/core/marks/model";

const MARK: MarkOut = {
  ...{
    id: "01a22265-7a5a-72c8-9731-3c0d67fa505b",
    quote: "=twenty *times*",
    prefix: "holds ",
    suffix: " its",
  },
  ...{ start: 15, end: 30, fragment: "", note: "Ask [here]", meaning: "doubt", by: "Ama Oduya" },
  ...{ createdAt: "2026-11-25T10:00:00.000Z", updatedAt: "2026-11-25T10:00:00.000Z" },
  source: {
    ...{ id: "01a22265-7a22-7436-bb4e-5b7a4a0f2ae0", title: "Ten myths" },
    ...{ address: "https://peat.example/ten", site: "Peat Notebook" },
  },
};

// Examples of the Web Annotation Data Model, W3C Recommendation of 23 February 2017, by their numbers; from memory, shortened.
describe("web annotations", () => {
  const CONTEXT = "http://www.w3.org/ns/anno.jsonld";

  it("are read as the examples of the model have them", () => {
    const example1 = {
      "@context": CONTEXT,
      ...{ id: "http://example.org/anno1", type: "Annotation" },
      ...{ body: "http://example.org/post1", target: "http://example.com/page1" },
    };
    // A body that is a thing elsewhere is no note, and nothing is marked.
    expect(readAnnotations(JSON.stringify(example1))).toEqual([]);
    const textual = {
      "@context": CONTEXT,
      ...{ id: "http://example.org/anno5", type: "Annotation" },
      body: { type: "TextualBody", value: "<p>j'adore !</p>", format: "text/html", language: "fr" },
      target: "http://example.org/photo1",
    };
    expect(readAnnotations(JSON.stringify(textual))).toMatchObject([
      { source: "http://example.org/photo1", note: "<p>j'adore !</p>", quote: "" },
    ]);
    const quoteSelector = {
      "@context": CONTEXT,
      ...{ id: "http://example.org/anno23", type: "Annotation", body: "http://example.org/comment1" },
      target: {
        source: "http://example.org/page1",
        selector: {
          ...{
            type: "TextQuoteSelector",
            exact: "anotation",
            prefix: "this is an ",
            suffix: " that has some",
          },
        },
      },
    };
    expect(readAnnotations(JSON.stringify(quoteSelector))).toMatchObject([
      {
        source: "http://example.org/page1",
        quote: "anotation",
        prefix: "this is an ",
        suffix: " that has some",
      },
    ]);
    const refined = {
      ...{ type: "Annotation", bodyValue: "Comment text" },
      target: {
        source: "http://example.org/page1",
        selector: {
          ...{ type: "FragmentSelector", value: "para5" },
          refinedBy: { type: "TextQuoteSelector", exact: "Selected Text" },
        },
      },
    };
    expect(readAnnotations(JSON.stringify([refined]))).toMatchObject([
      { quote: "Selected Text", note: "Comment text" },
    ]);
    for (const none of ["", "[]", "{}", "no JSON", '{"type":"Book"}'])
      expect(readAnnotations(none)).toBeNull();
  });

  it("on parts of a picture and stretches of a film are read and written by Media Fragments", () => {
    const example = (value: string) => ({
      ...{ "@context": CONTEXT, id: "http://example.org/anno20", type: "Annotation" },
      body: { source: "http://example.org/video1", purpose: "describing" },
      target: {
        source: "http://example.org/image1",
        selector: { type: "FragmentSelector", conformsTo: "http://www.w3.org/TR/media-frags/", value },
      },
    });
    const read = (value: string) => readAnnotations(JSON.stringify(example(value)));
    expect(read("t=30,60")).toMatchObject([
      { source: "http://example.org/image1", fragment: "t=30,60", quote: "" },
    ]);
    expect(read("xywh=percent:50,50,25,25")).toMatchObject([{ fragment: "xywh=percent:50,50,25,25" }]);
    // In pixels nobody knows where it is without the picture, and nothing is left to say.
    expect(read("xywh=50,50,640,480")).toEqual([]);
    const part = { ...MARK, quote: "", prefix: "", suffix: "", start: null, end: null, fragment: "t=95,130" };
    const written = writeAnnotations({ id: MARK.source.id, title: "Marks" }, [part]);
    expect(readAnnotations(written)).toMatchObject([{ fragment: "t=95,130", note: MARK.note, quote: "" }]);
    expect(writeMarksMarkdown("Week 1", [part])).toContain("1:35 to 2:10: **doubt**");
    expect(writeMarksCsv([part])).toContain("https://peat.example/ten#t=95,130");
  });

  it("are written as a collection with its page, and come back the same", () => {
    const written = writeAnnotations({ id: MARK.source.id, title: "Marks" }, [MARK]);
    const whole = JSON.parse(written) as { first: { items: object[] } };
    expect(whole).toMatchObject({ "@context": CONTEXT, type: "AnnotationCollection", total: 1 });
    expect(whole.first).toMatchObject({ type: "AnnotationPage", startIndex: 0 });
    expect(whole.first.items[0]).toMatchObject({
      ...{ id: `urn:uuid:${MARK.id}`, type: "Annotation", motivation: "commenting" },
      target: { source: MARK.source.address },
    });
    const { id, quote, prefix, suffix, note, meaning } = MARK;
    expect(readAnnotations(written)).toEqual([
      { id, source: MARK.source.address, quote, prefix, suffix, note, meaning, fragment: "" },
    ]);
  });
});

it("marks go out as Markdown in which nothing is marked, and as a table in which nothing is a formula", () => {
  const markdown = writeMarksMarkdown("Week 1", [MARK]);
  expect(markdown).toContain("> =twenty \\*times\\*");
  expect(markdown).toContain("**doubt**: Ask \\[here\\] (Ama Oduya, 2026-11-25)");
  const csv = writeMarksCsv([MARK]);
  expect(csv).toContain("'=twenty *times*");
  expect(csv.split("\r\n")[1]).toContain("https://peat.example/ten#:~:text=");
});
