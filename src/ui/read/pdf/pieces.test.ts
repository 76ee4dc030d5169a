import { createHash } from "node:crypto";
import { afterEach, expect, test, vi } from "vitest";
import { piecesOf } from "./pieces";

const LONG = 4_200_000;
const content = new Uint8Array(LONG).map((_, i) => i % 251);
/** A server of that file, of which the first so many answers fail. */
function serve({ failing = 0, status = 206 } = {}) {
  const asked: string[] = [];
  vi.stubGlobal("fetch", async (_: string, { headers }: { headers: { range: string } }) => {
    asked.push(headers.range);
    if (failing-- > 0) throw new TypeError("no way there");
    const [, from, last] = /^bytes=(\d+)-(\d+)$/.exec(headers.range)!.map(Number);
    return new Response(status === 206 ? content.slice(from, last! + 1) : content.slice(0, 1_000_000), {
      status,
    });
  });
  return asked;
}
/** What tells bytes from others, in a line. */
const said = (bytes: Uint8Array) => `${bytes.length}: ${createHash("sha256").update(bytes).digest("hex")}`;
afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});
const of = (bytes: number) => piecesOf({ src: "/api/file/x", bytes });

test("a short one is asked for whole, once; of what a server gives whole a piece is taken", async () => {
  const asked = serve({ status: 200 });
  const { whole, piece } = of(1_000_000);
  expect(said((await whole)!)).toBe(said(content.slice(0, 1_000_000)));
  expect(said(await piece(65_536, 131_072))).toBe(said(content.slice(65_536, 131_072)));
  expect(asked).toEqual(["bytes=0-999999"]);
});

test("end and beginning of a long one are asked for at once, and the beginning goes on as it comes; nothing is asked for twice", async () => {
  const asked = serve();
  const { whole, beginning, piece } = of(LONG);
  expect(whole).toBeNull();
  expect(asked).toEqual(["bytes=4063232-4199999", "bytes=0-131071"]);
  expect(said(await piece(65_536, 131_072))).toBe(said(content.slice(65_536, 131_072)));
  expect(said(await piece(4_128_768, LONG))).toBe(said(content.slice(4_128_768)));
  const came: Uint8Array[] = [];
  beginning((more) => came.push(more));
  await vi.waitFor(() => expect(said(Buffer.concat(came))).toBe(said(content.slice(0, 1_966_080))));
  expect(asked.slice(2)).toEqual(["bytes=131072-393215", "bytes=393216-917503", "bytes=917504-1966079"]);
});

test("who walks backwards through a long one is given what lies before, and nothing twice", async () => {
  const asked = serve();
  const { piece } = of(8_000_000);
  await vi.waitFor(() => expect(asked.at(-1)).toBe("bytes=917504-1966079"));
  const before = asked.length;
  for (let to = 7_864_320; to > 1_966_080; to -= 65_536) await piece(to - 65_536, to);
  expect(asked.slice(before)).toEqual([
    "bytes=7733248-7864319",
    "bytes=7471104-7733247",
    "bytes=6946816-7471103",
    "bytes=5898240-6946815",
    "bytes=3801088-5898239",
    "bytes=1966080-3801087",
  ]);
});

test("who walks on through a long one gets ever more at a time, who leaps what is there", async () => {
  const asked = serve();
  const { piece } = of(90_000_000);
  await vi.waitFor(() => expect(asked.at(-1)).toBe("bytes=917504-1966079"));
  const before = asked.length;
  for (let at = 30 * 65_536; at < 94 * 65_536; at += 65_536) await piece(at, at + 65_536);
  await piece(50_000_000, 50_000_100);
  const sizes = asked.slice(before).map((one) => {
    const [from, last] = one.slice(6).split("-").map(Number);
    return last! - from! + 1;
  });
  expect(sizes).toEqual([131_072, 262_144, 524_288, 1_048_576, 2_097_152, 2_097_152, 2_097_152]);
});

test("what does not come is asked for again, some times; what is refused is not", async () => {
  vi.useFakeTimers();
  const asked = serve({ failing: 3 });
  const came = of(1_000).piece(0, 1_000);
  await vi.runAllTimersAsync();
  expect(said(await came)).toBe(said(content.slice(0, 1_000)));
  expect(asked).toHaveLength(4);

  const never = serve({ failing: Infinity });
  const lost = expect(of(1_000).piece(0, 1_000)).rejects.toThrow("does not come");
  await vi.runAllTimersAsync();
  await lost;
  expect(never).toHaveLength(8);

  serve();
  const { piece } = of(LONG);
  await vi.runAllTimersAsync();
  serve({ failing: 8 });
  const middle = expect(piece(3_000_000, 3_000_100)).rejects.toThrow("does not come");
  await vi.runAllTimersAsync();
  await middle;
  expect(said(await piece(3_000_000, 3_000_100))).toBe(said(content.slice(3_000_000, 3_000_100)));

  const refused = serve({ status: 404 });
  await expect(of(1_000).piece(0, 1_000)).rejects.toThrow("404");
  expect(refused).toHaveLength(1);
});
