"use client";

import { useRouter } from "next/navigation";
import { Bar, BarChart, Legend, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { sayMinutes } from "@/core/text/minutes";
import { NAMED_TICK, POINTED_AT, SAID, Stripes, TICK, shortName } from "../../parts/chart-look";

type Row = {
  id: string;
  title: string;
  reading: number;
  playing: number;
  task: number;
  aimMinutes: number | null;
};

/** Told apart without colour, too: filled, striped, dotted. */
const PARTS = [
  { key: "reading", words: "Reading", fill: "var(--accent)" },
  { key: "playing", words: "Playing", fill: "url(#load-stripes)" },
  { key: "task", words: "Work", fill: "url(#load-dots)" },
] as const;
const [ROW, BAR] = [40, 18];
/** Between two strokes of the scale, in minutes. */
const STEPS = [5, 10, 15, 30, 60, 120, 240];

/** How long each collection takes, a bar each, with a stroke where the time there is ends. The table beneath says the same. */
export function LoadChart({ rows, team }: { rows: readonly Row[]; team: string }) {
  const router = useRouter();
  const longest = Math.max(
    ...rows.map((row) => Math.max(row.reading + row.playing + row.task, row.aimMinutes ?? 0)),
  );
  const step = STEPS.find((one) => longest <= one * 5) ?? Math.ceil(longest / 300) * 60;
  const ticks = Array.from({ length: Math.max(1, Math.ceil(longest / step)) + 1 }, (_, i) => i * step);
  const most = ticks.at(-1)!;
  return (
    <div className="mt-2" style={{ height: rows.length * ROW + 72 }} aria-hidden>
      <ResponsiveContainer width="100%" height="100%">
        <BarChart
          layout="vertical"
          data={[...rows]}
          margin={{ top: 4, right: 16, bottom: 0, left: 0 }}
          accessibilityLayer={false}
          // The time there is lies over what is needed of it.
          barGap={-BAR}
        >
          <defs>
            <Stripes id="load-stripes" colour="var(--accent)" />
            <pattern id="load-dots" width="6" height="6" patternUnits="userSpaceOnUse">
              <rect width="6" height="6" fill="var(--sheet)" />
              <circle cx="3" cy="3" r="1.6" fill="var(--accent)" />
            </pattern>
          </defs>
          <XAxis
            type="number"
            domain={[0, most]}
            ticks={ticks}
            tickFormatter={(minutes: number) => sayMinutes(Math.round(minutes))}
            tick={TICK}
            stroke="var(--line)"
            allowDecimals={false}
          />
          <YAxis
            type="category"
            dataKey="id"
            width={158}
            tickFormatter={(id: string) => shortName(rows.find((row) => row.id === id)?.title ?? "", 18)}
            tick={NAMED_TICK}
            stroke="var(--line)"
            interval={0}
          />
          <Tooltip
            cursor={POINTED_AT}
            labelFormatter={(id) => rows.find((row) => row.id === id)?.title}
            formatter={(minutes, name) => [sayMinutes(Number(minutes)), name]}
            contentStyle={SAID}
          />
          <Legend
            itemSorter={null}
            wrapperStyle={{ fontSize: 13 }}
            formatter={(words: string) => <span className="text-ink">{words}</span>}
          />
          {PARTS.map(({ key, words, fill }) => (
            <Bar
              key={key}
              dataKey={key}
              name={words}
              stackId="load"
              fill={fill}
              stroke="var(--accent)"
              barSize={BAR}
              isAnimationActive={false}
              className="cursor-pointer"
              onClick={({ payload }: { payload?: Row }) =>
                payload && router.push(`/team/${team}/time/${payload.id}`)
              }
            />
          ))}
          <Bar
            dataKey="aimMinutes"
            name="There are"
            fill="none"
            legendType="none"
            barSize={BAR}
            isAnimationActive={false}
            shape={<EndOfTime />}
            tooltipType="none"
          />
        </BarChart>
      </ResponsiveContainer>
    </div>
  );
}

type Drawn = { x?: number; y?: number; width?: number; height?: number };

/** A stroke where the time there is ends. */
function EndOfTime({ x = 0, y = 0, width = 0, height = 0 }: Drawn) {
  if (!width) return null;
  const at = x + width;
  return <line x1={at} x2={at} y1={y - 5} y2={y + height + 5} stroke="var(--ink)" strokeWidth={3} />;
}
