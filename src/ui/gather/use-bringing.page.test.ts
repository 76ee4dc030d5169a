import { act, cleanup, renderHook, waitFor } from "@testing-library/react";
import { afterAll, beforeEach, expect, test, vi } from "vitest";
import { clipHtml, clipText } from "@/core/formats/clipboard";
import { useBringing } from "./use-bringing";

const sendFiles = vi.hoisted(() => vi.fn());
vi.mock("../imports/uploads", () => ({ sendFiles }));
afterAll(() => vi.resetModules());

const INTO = { team: "moss", collection: "bog", section: null };
function bench({ allowed = true } = {}) {
  const heard = { paste: vi.fn(), onClip: vi.fn(() => true), note: vi.fn(), onFiles: vi.fn() };
  const { result } = renderHook(() => useBringing({ allowed, into: INTO, ...heard }));
  return { ...heard, brings: () => result.current.brings, sending: () => result.current.sending };
}
type Data = { text?: string; html?: string; files?: File[] };
/** Pastes or drops something at a place. @returns whether Hobbin took it */
function bring(
  type: "paste" | "drop",
  { text = "", html = "", files = [] }: Data,
  at: EventTarget = document.body,
) {
  const data = { getData: (kind: string) => (kind === "text/html" ? html : text), files };
  const event = new Event(type, { bubbles: true, cancelable: true });
  Object.assign(event, { clipboardData: data, dataTransfer: data });
  act(() => void at.dispatchEvent(event));
  return event.defaultPrevented;
}
const file = (name: string) => new File(["x"], name);

beforeEach(() => {
  document.body.replaceChildren();
  sendFiles.mockClear();
});

test("one address comes in at once, a text with links after a look at it, a text without is a note", () => {
  const on = bench();
  expect(bring("paste", { text: " https://moss.example/sundew\n" })).toBe(true);
  expect(on.paste).toHaveBeenCalledTimes(1);
  bring("paste", { text: "see www.moss.example and\nhttps://fen.example" });
  expect(on.brings()).toMatchObject({ name: "", text: expect.stringContaining("fen.example") });
  bring("paste", { text: "Sphagnum holds twenty times its weight." });
  expect(on.note).toHaveBeenCalledExactlyOnceWith("Sphagnum holds twenty times its weight.");
  expect(on.paste).toHaveBeenCalledTimes(1);
});

test("words that only carry links beneath are looked at for these, and works by their own formats", () => {
  const on = bench();
  bring("paste", {
    text: "three good pages",
    html: '<a class=x href="https://moss.example">three</a> good pages',
  });
  expect(on.brings()).toMatchObject({ html: expect.stringContaining("href") });
  bring("paste", { text: "@article{moss2020,\n title = {Moss}\n}" });
  expect(on.brings()).toMatchObject({ text: expect.stringContaining("@article") });
  bring("paste", { text: "TY  - JOUR\nTI  - Moss\nER  - " });
  expect(on.brings()).toMatchObject({ text: expect.stringContaining("JOUR") });
  expect(on.note).not.toHaveBeenCalled();
});

test("a file that mostly holds links is looked at first; others, and several, are sent", async () => {
  const on = bench();
  bring("drop", { files: [file("bookmarks.HTML")] });
  expect(on.brings()).toMatchObject({ name: "bookmarks.HTML" });
  bring("drop", { files: [file("peat.pdf")] });
  await waitFor(() => expect(sendFiles).toHaveBeenCalledTimes(1));
  expect(sendFiles.mock.lastCall![1]).toEqual(INTO);
  bring("drop", { files: [file("a.csv"), file("b.csv")] });
  await waitFor(() => expect(sendFiles).toHaveBeenCalledTimes(2));
});

test("beside copied text the picture some programs make of it is left alone; dropped, a file is a file", async () => {
  const on = bench();
  bring("paste", { text: "Only words", files: [file("picture.png")] });
  expect(on.note).toHaveBeenCalledTimes(1);
  bring("drop", { text: "peat.pdf", files: [file("peat.pdf")] });
  await waitFor(() => expect(sendFiles).toHaveBeenCalledTimes(1));
  expect(on.paste).not.toHaveBeenCalled();
});

test("what was copied on a Bench goes the way of copies, unless that has no use for it", () => {
  const on = bench();
  const items = [
    { heading: "", context: "", resource: { title: "Sundew", address: "https://moss.example/sundew" } },
  ];
  const html = clipHtml(items, { team: "moss", placements: ["p"], cut: false });
  const text = clipText(items);
  bring("paste", { text, html });
  expect(on.onClip).toHaveBeenCalledExactlyOnceWith({ team: "moss", placements: ["p"], cut: false });
  expect(on.brings()).toBeNull();
  on.onClip.mockReturnValue(false);
  bring("paste", { text, html });
  expect(on.brings()).toMatchObject({ text });
});

test("what is pasted into a field or beside a dialog is left to it, and so is everything of those who only look", () => {
  const on = bench();
  const field = document.body.appendChild(document.createElement("textarea"));
  expect(bring("paste", { text: "https://moss.example" }, field)).toBe(false);
  document.body.insertAdjacentHTML("beforeend", "<div role=dialog></div>");
  expect(bring("paste", { text: "https://moss.example" })).toBe(false);
  document.body.replaceChildren();
  expect(bring("paste", { text: "   \n" })).toBe(false);
  cleanup();
  const looking = bench({ allowed: false });
  expect(bring("paste", { text: "https://moss.example" })).toBe(false);
  for (const on_ of [on, looking]) expect(on_.paste).not.toHaveBeenCalled();
});

test("what is dragged about within the page is no bringing in; what comes afterwards is", () => {
  const on = bench();
  act(() => void document.body.dispatchEvent(new Event("dragstart", { bubbles: true })));
  expect(bring("drop", { text: "https://moss.example" })).toBe(false);
  act(() => void document.body.dispatchEvent(new Event("dragend", { bubbles: true })));
  expect(bring("drop", { text: "https://moss.example" })).toBe(true);
  expect(on.paste).toHaveBeenCalledTimes(1);
});

test("once files are on their way it stays known, and nothing listens any more when the Bench is left", () => {
  const on = bench();
  expect(on.sending()).toBe(false);
  act(() => void window.dispatchEvent(new Event("hobbin:sending")));
  expect(on.sending()).toBe(true);
  cleanup();
  expect(bring("paste", { text: "https://moss.example" })).toBe(false);
});
