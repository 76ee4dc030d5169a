import { expect, test } from "vitest";
import { mediaFragment } from "./media-fragment";

test("a part of a video is taken as Media Fragments 1.0 writes it (4.2.1 and its examples), and nothing else", () => {
  for (const part of ["#t=10,20", "#t=,20", "#t=10", "#t=npt:10,20", "#t=npt:0:02:00,0:02:01.5", "#t=1:30"])
    expect(mediaFragment(`https://bog.example/a.webm${part}`), part).toBe(part);
  for (const part of [
    "",
    "#",
    "#t=",
    "#t=a",
    "#t=10,",
    "#t=10,20&x=1",
    '#t=1"onload',
    "#top",
    "#t=smpte:0:02:00",
  ])
    expect(mediaFragment(`https://bog.example/a.webm${part}`), part).toBe("");
});
