import { LONGEST, readClipTime, sayClipTime } from "../publish/clip";

/** A part of a picture or of a page, in percent of its width and height. */
export type Region = { x: number; y: number; w: number; h: number };
/** What of a thing without selectable words is marked: a page of it, a part of what is seen, from which second to which. */
export type Fragment = {
  page: number | null;
  region: Region | null;
  from: number | null;
  to: number | null;
};

const MOST_PAGES = 100_000;

/**
 * A fragment as it is written in an address: `t` and `xywh` of Media Fragments URI 1.0 (4.2.1 and 4.2.2,
 * https://www.w3.org/TR/media-frags/), `page` of RFC 8118 (3). Times are in whole seconds; what is given in pixels, or in the
 * time codes of films, cannot be placed without the thing itself.
 * @returns null when there is nothing of these in it, or when one of them cannot be read
 */
export function readFragment(written: string): Fragment | null {
  const found: Fragment = { page: null, region: null, from: null, to: null };
  let isAny = false;
  for (const part of written.replace(/^#/, "").slice(0, 300).split("&")) {
    const [, name, value] = /^(t|xywh|page)=(.+)$/.exec(part) ?? [];
    if (!name || !value) continue;
    const given = decoded(value);
    const read = name === "t" ? timeIn(given) : name === "xywh" ? regionIn(given) : pageIn(given);
    if (!read) return null;
    Object.assign(found, read);
    isAny = true;
  }
  return isAny ? found : null;
}

function decoded(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return "";
  }
}

/** `10`, `10,20`, `,20`, `npt:1:35,2:10`; fractions are let go. */
function timeIn(value: string): Pick<Fragment, "from" | "to"> | null {
  const [, begin = "", end] = /^(?:npt:)?([\d:.]*)(?:,([\d:.]+))?$/.exec(value) ?? [];
  if (!begin && end === undefined) return null;
  const whole = (text: string) => readClipTime(text.replace(/\.\d*$/, ""));
  const [from, to] = [begin ? whole(begin) : 0, end === undefined ? null : whole(end)];
  if (from === undefined || from === null || to === undefined) return null;
  return to !== null && to <= from ? null : { from, to };
}

/** `percent:10,20,30,40`, with a tenth of a percent. */
function regionIn(value: string): Pick<Fragment, "region"> | null {
  const [, ...numbers] = /^percent:([\d.]+),([\d.]+),([\d.]+),([\d.]+)$/.exec(value) ?? [];
  const [x = NaN, y = NaN, w = NaN, h = NaN] = numbers.map((text) => Math.round(Number(text) * 10) / 10);
  const fits = x >= 0 && y >= 0 && w > 0 && h > 0 && x + w <= 100.05 && y + h <= 100.05;
  return fits ? { region: { x, y, w, h } } : null;
}

function pageIn(value: string): Pick<Fragment, "page"> | null {
  const page = /^\d{1,6}$/.test(value) ? Number(value) : 0;
  return page >= 1 && page <= MOST_PAGES ? { page } : null;
}

/** A fragment as it is kept and goes out; empty: the whole. */
export function writeFragment({ page, region, from, to }: Fragment): string {
  const part = (percent: number) => String(Math.round(percent * 10) / 10);
  return [
    page !== null && `page=${page}`,
    from !== null && `t=${Math.min(from, LONGEST)}${to === null ? "" : `,${to}`}`,
    region && `xywh=percent:${[region.x, region.y, region.w, region.h].map(part).join(",")}`,
  ]
    .filter(Boolean)
    .join("&");
}

/** What is marked, in words: “1:35 to 2:10”, “Page 3, a part of it”. Empty: the whole. */
export function sayFragment(written: string): string {
  const found = readFragment(written);
  if (!found) return "";
  const { page, region, from, to } = found;
  const said = [
    page !== null && `page ${page}`,
    from !== null && (to === null ? `at ${sayClipTime(from)}` : `${sayClipTime(from)} to ${sayClipTime(to)}`),
    region && (page === null ? "a part of the picture" : "a part of it"),
  ]
    .filter(Boolean)
    .join(", ");
  return said[0]!.toUpperCase() + said.slice(1);
}

/** The order in which parts of a thing stand: by page and second, then from above. */
export function compareFragments(one: string, other: string): number {
  const [a, b] = [readFragment(one), readFragment(other)];
  return (
    (a?.page ?? 0) - (b?.page ?? 0) ||
    (a?.from ?? 0) - (b?.from ?? 0) ||
    (a?.region?.y ?? 0) - (b?.region?.y ?? 0) ||
    (a?.region?.x ?? 0) - (b?.region?.x ?? 0)
  );
}
