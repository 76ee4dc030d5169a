/** A PDF of ours, and how many bytes it has. */
export type Source = { src: string; bytes: number };

/** Some bytes of a file. */
type Bytes = Uint8Array<ArrayBuffer>;

/** A file in pieces. */
export type Pieces = {
  /** All of it, where it is short. */
  whole: Promise<Bytes> | null;
  /** Hands over its beginning, from the first byte on, as it comes; no more than is read of any. */
  beginning: (take: (came: Bytes) => void) => void;
  /** Its bytes from one to before another. */
  piece: (from: number, to: number) => Promise<Bytes>;
  /** Asks for no more. */
  stop: () => void;
};

/**
 * Takes a short PDF at once, of a long one what is looked at. That begins to be read at its end, where it says what stands
 * where, and goes on from its beginning: both are asked for at once, while what reads it is still on its way. What is
 * asked for comes with what lies on from it, each time twice as much, because who walks from page to page asks for little
 * at a time. What does not come is asked for again; what is refused is not.
 *
 * It needs nothing but what it is given: it is written into the page as it is (first-page.tsx).
 */
export function piecesOf({ src, bytes }: Source): Pieces {
  const LEAST = 131_072;
  const MOST = 2_097_152;
  const TIMES = 8;
  const KEPT = 8;
  const stopped = new AbortController();
  const ask = async (from: number, to: number): Promise<ArrayBuffer> => {
    const headers = { range: `bytes=${from}-${to - 1}` };
    for (let time = 1; ; time++) {
      const answer = await fetch(src, { headers, signal: stopped.signal }).catch(() => null);
      if (answer && answer.status < 500 && !answer.ok) throw new Error(`it is refused: ${answer.status}`);
      const came = answer?.ok ? await answer.arrayBuffer().catch(() => null) : null;
      // Who answers with the whole has that taken.
      if (came) return answer!.status === 206 ? came : came.slice(from, to);
      if (time === TIMES || stopped.signal.aborted) throw new Error("it does not come");
      await new Promise((go) => setTimeout(go, Math.min(2 ** time, 30) * 500));
    }
  };
  type Part = { from: number; to: number; came: Promise<ArrayBuffer> };
  const part = (from: number, to: number): Part => {
    const came = ask(from, to);
    came.catch(() => undefined);
    return { from, to, came };
  };
  const isShort = bytes <= MOST;
  const parts = [part(isShort ? 0 : Math.floor((bytes - LEAST) / LEAST) * LEAST, bytes)];

  let take: ((came: Bytes) => void) | null = null;
  let waiting: ArrayBuffer[] = [];
  const hand = () => {
    if (!take || !waiting.length) return;
    const whole = new Uint8Array(waiting.reduce((sum, one) => sum + one.byteLength, 0));
    let at = 0;
    for (const one of waiting) {
      whole.set(new Uint8Array(one), at);
      at += one.byteLength;
    }
    waiting = [];
    take(whole);
  };
  const begin = async () => {
    for (let from = 0, size = LEAST; from + size <= MOST; from += size, size *= 2) {
      const one = part(from, from + size);
      parts.push(one);
      const came = await one.came;
      waiting.push(came);
      hand();
    }
  };
  if (!isShort) begin().catch(() => undefined);

  const whole = isShort ? parts[0]!.came.then((came) => new Uint8Array(came)) : null;
  // Whoever takes it is told what went wrong.
  whole?.catch(() => undefined);
  let ahead = LEAST;
  let looked: Part[] = [];
  /** Asks for what is looked at and what lies on from it, and for nothing that is there. */
  const look = (from: number, to: number) => {
    const there = [...parts, ...looked];
    // PDF.js looks for its last page from the end of a list of all pages backwards.
    const isBack = there.some((one) => one.from === to);
    const before = there.filter((one) => one.to <= from).map((one) => one.to);
    const behind = there.filter((one) => to <= one.from).map((one) => one.from);
    const one = isBack
      ? part(Math.max(Math.min(from, to - ahead), 0, ...before), to)
      : part(from, Math.min(Math.max(to, from + ahead), bytes, ...behind));
    ahead = Math.min(2 * ahead, MOST);
    looked = [...looked, one].slice(-KEPT);
    one.came.catch(() => (looked = looked.filter((other) => other !== one)));
    return one;
  };
  return {
    whole,
    beginning: (taker) => {
      take = taker;
      hand();
    },
    piece: async (from, to) => {
      const has = (one: Part) => one.from <= from && to <= one.to;
      const { from: start, came } = parts.find(has) ?? looked.find(has) ?? look(from, to);
      return new Uint8Array((await came).slice(from - start, to - start));
    },
    stop: () => stopped.abort(),
  };
}
