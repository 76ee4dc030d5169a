import { version } from "pdfjs-dist/package.json";

/** Where PDF.js and what it loads besides lies, under our own origin, by the version it is of (tools/lib/pdf-parts.mjs). */
export const PDF_PARTS = `/pdf/${version}/`;

/**
 * What its newest build needs of a browser. Who lacks any of it is given the other one, which brings all of it along and
 * takes half as long again to start; parts.test.ts holds this beside what that brings.
 */
export const PDF_NEEDS = [
  ...["ArrayBuffer.prototype.detached", "ArrayBuffer.prototype.transfer"],
  "ArrayBuffer.prototype.transferToFixedLength",
  ...[
    "every",
    "filter",
    "find",
    "flatMap",
    "forEach",
    "map",
    "reduce",
    "some",
    "toArray",
    "drop",
    "take",
  ].map((name) => `Iterator.prototype.${name}`),
  ...["Map", "WeakMap"].flatMap((kind) =>
    ["getOrInsert", "getOrInsertComputed"].map((name) => `${kind}.prototype.${name}`),
  ),
  ...["Math.sumPrecise", "Promise.try", "Promise.withResolvers", "URL.parse"],
  ...["difference", "intersection", "symmetricDifference", "union"].map((name) => `Set.prototype.${name}`),
  ...["isDisjointFrom", "isSubsetOf", "isSupersetOf"].map((name) => `Set.prototype.${name}`),
  ...["Uint8Array.fromBase64", "Uint8Array.prototype.with"],
  ...["setFromBase64", "setFromHex", "toBase64", "toHex"].map((name) => `Uint8Array.prototype.${name}`),
  "URLSearchParams.prototype.size",
];
