import { expect, test } from "vitest";
import { clipFragment, minutesOfClip, readClipTime, sayClip, sayClipTime } from "./clip";

test("a time is read as Media Fragments 1.0 writes it, and said as it was typed", () => {
  expect(["95", "1:35", "01:35", "1:02:03", "", " 0 "].map(readClipTime)).toEqual([
    95,
    95,
    95,
    3_723,
    null,
    0,
  ]);
  for (const wrong of ["1:5", "1:60", "60:00", "a", "1:2:3", "-1", "1.5", "1:35:", "999999"])
    expect(readClipTime(wrong), wrong).toBeUndefined();
  expect([0, 95, 3_723].map(sayClipTime)).toEqual(["0:00", "1:35", "1:02:03"]);
});

test("a part is said and played from its second to its second", () => {
  const clip = (clipFrom: number | null, clipTo: number | null) => ({ clipFrom, clipTo });
  const all = [clip(null, null), clip(95, null), clip(null, 130), clip(95, 130), clip(0, null)];
  expect(all.map(sayClip)).toEqual([null, "from 1:35", "up to 2:10", "1:35 to 2:10", null]);
  expect(all.map(clipFragment)).toEqual(["", "#t=95", "#t=0,130", "#t=95,130", ""]);
  const whole = { minutes: 12, seconds: 700 };
  expect(all.map((one) => minutesOfClip(one, whole))).toEqual([12, 10, 2, 1, 12]);
  expect(minutesOfClip(clip(95, null), { minutes: 12, seconds: null })).toBe(12);
});
