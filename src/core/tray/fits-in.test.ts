import fc from "fast-check";
import { expect, it } from "vitest";
import { fitsIn } from "./fits-in";

const things = fc.array(
  fc.record({
    id: fc.uuid(),
    minutes: fc.option(fc.integer({ min: 1, max: 25 }), { nil: null }),
    days: fc.integer({ min: 0, max: 400 }),
  }),
  { maxLength: 11 },
);

it("fills the minutes as well as trying every set does, and then with what has waited longest", () => {
  fc.assert(
    fc.property(things, fc.integer({ min: 0, max: 60 }), (all, room) => {
      const worth = (ids: readonly string[]) => {
        const some = all.filter((one) => ids.includes(one.id));
        return [
          some.reduce((sum, one) => sum + one.minutes!, 0),
          some.reduce((sum, one) => sum + one.days + 1, 0),
        ] as const;
      };
      let [most, waited] = [0, 0];
      const timed = all.filter((one) => one.minutes !== null);
      for (let set = 0; set < 1 << timed.length; set++) {
        const [minutes, days] = worth(timed.filter((_, i) => set & (1 << i)).map((one) => one.id));
        if (minutes <= room && (minutes > most || (minutes === most && days > waited)))
          [most, waited] = [minutes, days];
      }
      expect(worth(fitsIn(all, room))).toEqual([most, waited]);
    }),
  );
});
