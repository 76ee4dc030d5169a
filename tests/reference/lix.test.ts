import { execFileSync } from "node:child_process";
import { expect, test } from "vitest";
import { lixOf } from "@/core/text/lix";

/**
 * Texts whose sentences end by their marks alone: at a colon the program leaves out what follows in small letters. It takes
 * bytes for letters, so the German one is written without umlauts.
 */
const TEXTS = {
  en: `The bog lies behind the station. In a dry summer its water table falls by forty centimetres, and the dams that the wardens built in autumn hold back what little runs off. Visitors see pools, cotton grass and a wide sky; they do not see the peat below them, which grows by a millimetre each year.

Sphagnum moss has no roots. It takes everything it needs from rain, and it makes the water around it sour. Few other plants can live there. When a moss dies, it does not rot, because there is no oxygen in the wet ground. Its leaves are pressed together and become peat. Is this not a library? We think it is!`,
  de: `Das Moor liegt hinter der Station. In einem trockenen Sommer sinkt der Wasserstand um vierzig Zentimeter, und die Daemme, die im Herbst gebaut wurden, halten zurueck, was noch abfliesst. Besucher sehen Tuempel, Wollgras und einen weiten Himmel. Den Torf darunter sehen sie nicht, der jedes Jahr um einen Millimeter waechst.

Torfmoose haben keine Wurzeln. Sie nehmen alles, was sie brauchen, aus dem Regen und machen das Wasser um sich herum sauer. Wenige andere Pflanzen koennen dort leben. Stirbt ein Moos, so verrottet es nicht, weil im nassen Boden kein Sauerstoff ist. Ist das nicht eine Bibliothek? Wir glauben es! Die Kinder messen jede Woche den Wasserstand und schreiben ihn in ein Heft, das in der Huette haengt.`,
};

// GNU diction's `style` (M. Haardt), Debian's package, computes LIX as Bjoernsson (1968) has it.
for (const [language, text] of Object.entries(TEXTS))
  test(`as hard as style has it: ${language}`, () => {
    const said = execFileSync("style", ["-L", language], { input: text, encoding: "utf8" });
    const lix = Number(/Lix: ([\d.]+)/.exec(said)![1]);
    expect(lixOf(text)).toBe(Math.round(lix));
  });
