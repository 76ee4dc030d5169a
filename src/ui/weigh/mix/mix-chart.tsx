"use client";

import { Bar, BarChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import type { Dimension, Mix } from "@/core/measure/mix";
import { sayMix, sayValue } from "./say-mix";
import { NAMED_TICK, POINTED_AT, SAID, Stripes, TICK, shortName } from "../../parts/chart-look";

type Shown = Mix & { by: Dimension };
type Props = {
  mix: Shown;
  /** What it is compared with. */
  beside: Shown | undefined;
  /** Of the one and of the other. */
  names: [string, string];
  onOpen: (value: string) => void;
};

/** So many values have a bar; the table has all of them. */
const BARS = 10;
const ROW = 26;
const percent = (share: number) => `${Math.round(share * 100)} %`;

/** A mix as bars, and as a table each line of which leads to what it stands for. */
export function MixChart({ mix, beside, names, onOpen }: Props) {
  const all = sumOf(mix);
  const others = beside ? sumOf(beside) : 0;
  const theirs = new Map(beside?.shares.map(({ value, count }) => [value, count]));
  const rows = mix.shares.map(({ value, count }) => ({
    ...{ value, count, words: sayValue(mix.by, value), share: all ? count / all : 0 },
    other: others ? (theirs.get(value) ?? 0) / others : 0,
  }));
  const bars = mix.by === "year" ? rows.slice(-BARS) : rows.slice(0, BARS);
  return (
    <>
      <p className="text-[15px]">{sayMix(mix.by, mix)}</p>
      {beside && (
        <p className="text-[15px] text-quiet">
          {names[1]}: {sayMix(mix.by, beside)}
        </p>
      )}
      {bars.length > 0 && (
        <div className="mt-2" style={{ height: bars.length * ROW * (beside ? 1.5 : 1) + 34 }} aria-hidden>
          <ResponsiveContainer width="100%" height="100%">
            <BarChart
              layout="vertical"
              data={bars}
              margin={{ top: 0, right: 12, bottom: 0, left: 0 }}
              accessibilityLayer={false}
              barGap={1}
            >
              <defs>
                <Stripes id={`beside-${mix.by}`} colour="var(--quiet)" />
              </defs>
              <XAxis type="number" tickFormatter={percent} tick={TICK} stroke="var(--line)" tickCount={4} />
              <YAxis
                type="category"
                dataKey="value"
                width={140}
                interval={0}
                tickFormatter={(value: string) => shortName(sayValue(mix.by, value), 19)}
                tick={NAMED_TICK}
                stroke="var(--line)"
              />
              <Tooltip
                cursor={POINTED_AT}
                labelFormatter={(value) => sayValue(mix.by, String(value))}
                formatter={(share, name) => [percent(Number(share)), name]}
                contentStyle={SAID}
              />
              <Bar
                dataKey="share"
                name={names[0]}
                fill="var(--accent)"
                barSize={14}
                isAnimationActive={false}
                className="cursor-pointer"
                onClick={({ payload }: { payload?: { value: string } }) => payload && onOpen(payload.value)}
              />
              {beside && (
                <Bar
                  dataKey="other"
                  name={names[1]}
                  fill={`url(#beside-${mix.by})`}
                  stroke="var(--quiet)"
                  barSize={14}
                  isAnimationActive={false}
                />
              )}
            </BarChart>
          </ResponsiveContainer>
        </div>
      )}
      <details className="mt-1">
        <summary className="w-fit cursor-pointer rounded-sm py-1 text-[15px] text-accent">As a table</summary>
        <table className="w-full border-collapse text-[15px] tabular-nums">
          <tbody>
            {[...rows, ...(mix.unknown ? [unknownOf(mix)] : [])].map((row) => (
              <tr key={row.value} className="border-b border-line">
                <th scope="row" className="py-0.5 pr-3 text-left font-normal">
                  <button
                    type="button"
                    className="rounded-sm py-0.5 text-left break-all text-accent hover:underline"
                    onClick={() => onOpen(row.value)}
                  >
                    {row.words}
                  </button>
                </th>
                <td className="py-0.5 pr-3 text-right">{row.count}</td>
                <td className="py-0.5 text-right text-quiet">{row.value !== "" && percent(row.share)}</td>
                {beside && (
                  <td className="py-0.5 pl-3 text-right text-quiet">
                    {row.value !== "" && percent(row.other)}
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </table>
        {mix.more > 0 && <p className="py-1 text-sm text-quiet">and {mix.more} more</p>}
      </details>
    </>
  );
}

/** How many there are of what is known; of an author's works each counts for every one of its authors. */
const sumOf = ({ shares, beyond }: Mix): number => shares.reduce((sum, { count }) => sum + count, 0) + beyond;
const unknownOf = ({ by, unknown }: Shown) => ({
  ...{ value: "", words: sayValue(by, ""), count: unknown, share: 0, other: 0 },
});
