"use client";

import { defaultRangeExtractor, type Range } from "@tanstack/react-virtual";
import { useCallback } from "react";

/**
 * What a list that draws only what is in sight draws besides: the lines somebody acts on or writes in. Whatever is
 * scrolled, they are there, and so are their words and the focus.
 * @param first index of such a line, and
 * @param second of another; -1 for none
 */
export function useAlways(first: number, second = -1): (range: Range) => number[] {
  return useCallback(
    (range: Range) => {
      const besides = [first, second].filter((one) => one >= 0 && one < range.count);
      return [...new Set([...defaultRangeExtractor(range), ...besides])].sort((a, b) => a - b);
    },
    [first, second],
  );
}
