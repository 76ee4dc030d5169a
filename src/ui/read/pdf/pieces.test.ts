import { afterEach, expect, test, vi } from "vitest";
import { piecesOf } from "./pieces";

const content = new Uint8Array(1_000_000).map((_, i) => i % 251);
/** A server of that file, of which the first so many answers fail. */
function serve({ failing = 0, status = 206 } = {}) {
  const asked: string[] = [];
  vi.stubGlobal("fetch", async (_: string, { headers }: { headers: { range: string } }) => {
    asked.push(headers.range);
    if (failing-- > 0) throw new TypeError("no way there");
    const [, from, last] = /^bytes=(\d+)-(\d+)$/.exec(headers.range)!.map(Number);
    return new Response(status === 206 ? content.slice(from, last! + 1) : content, { status });
  });
  return asked;
}
/** Bytes as text, which is compared at once. */
const said = (bytes: Uint8Array) => Buffer.from(bytes).toString("latin1");
afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});
const of = (bytes: number) => piecesOf({ src: "/api/file/x", bytes });

test("end and beginning are asked for at once, and the beginning goes on as it comes; nothing is asked for twice", async () => {
  const asked = serve();
  const { beginning, piece } = of(1_000_000);
  expect(asked).toEqual(["bytes=786432-999999", "bytes=0-131071"]);
  expect(said(await piece(65_536, 131_072))).toBe(said(content.slice(65_536, 131_072)));
  expect(said(await piece(983_040, 1_000_000))).toBe(said(content.slice(983_040)));
  await vi.waitFor(() => expect(asked).toHaveLength(5));
  let came = "";
  beginning((more) => (came += said(more)));
  await vi.waitFor(() => expect(came).toBe(said(content)));
  expect(asked.slice(2)).toEqual(["bytes=131072-393215", "bytes=393216-917503", "bytes=917504-999999"]);
});

test("of a long one two megabytes come unasked; who walks on through it gets ever more at a time, who leaps what is there", async () => {
  const asked = serve();
  const { piece } = of(90_000_000);
  await vi.waitFor(() => expect(asked.at(-1)).toBe("bytes=917504-1966079"));
  const before = asked.length;
  for (let at = 30 * 65_536; at < 94 * 65_536; at += 65_536) await piece(at, at + 65_536);
  await piece(50_000_000, 50_000_100);
  expect(
    asked
      .slice(before)
      .map((one) => one.slice(6).split("-").map(Number))
      .map(([a, b]) => b! - a! + 1),
  ).toEqual([131_072, 262_144, 524_288, 1_048_576, 2_097_152, 2_097_152, 2_097_152]);
});

test("a small one comes in one; of what a server gives whole the piece is taken", async () => {
  const asked = serve({ status: 200 });
  expect(said(await of(100_000).piece(65_536, 100_000))).toBe(said(content.slice(65_536, 100_000)));
  expect(asked).toEqual(["bytes=0-99999"]);
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

  const refused = serve({ status: 404 });
  await expect(of(1_000).piece(0, 1_000)).rejects.toThrow("404");
  expect(refused).toHaveLength(1);
});
