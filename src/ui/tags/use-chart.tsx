"use client";

import { Bar, BarChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { POINTED_AT, SAID, TICK } from "../parts/chart-look";

type Month = { month: string; count: number };
const NAMES = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];
const say = (month: string) => `${NAMES[Number(month.slice(5)) - 1]} ${month.slice(2, 4)}`;

/** How often tags were put on something, month by month; the same as a table for who does not see it. */
export function UseChart({ months, label }: { months: Month[]; label: string }) {
  return (
    <figure aria-label={label}>
      <div className="h-40" aria-hidden>
        <ResponsiveContainer width="100%" height="100%">
          <BarChart
            data={months}
            margin={{ top: 4, right: 0, bottom: 0, left: -24 }}
            accessibilityLayer={false}
          >
            <XAxis
              dataKey="month"
              tickFormatter={say}
              tick={TICK}
              stroke="var(--line)"
              interval="preserveStartEnd"
              minTickGap={24}
            />
            <YAxis allowDecimals={false} tick={TICK} stroke="var(--line)" />
            <Tooltip
              cursor={POINTED_AT}
              labelFormatter={(month) => say(String(month))}
              formatter={(count) => [`${count} times`, "used"]}
              contentStyle={SAID}
            />
            <Bar
              maxBarSize={36}
              dataKey="count"
              fill="var(--accent)"
              radius={[2, 2, 0, 0]}
              isAnimationActive={false}
            />
          </BarChart>
        </ResponsiveContainer>
      </div>
      <table className="sr-only">
        <caption>{label}</caption>
        <tbody>
          {months.map((one) => (
            <tr key={one.month}>
              <th scope="row">{say(one.month)}</th>
              <td>{one.count}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </figure>
  );
}
