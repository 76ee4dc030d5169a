import { expect, test } from "vitest";
import { ANY_HOUR, isZone, mailedAt, type MailHours } from "./mail-hours";

const at = (time: string) => new Date(`2026-${time}Z`);
const hours = (
  zone: string,
  quietFrom: number | null = null,
  quietUntil: number | null = null,
): MailHours => ({
  zone,
  quietFrom,
  quietUntil,
});

test("a letter goes in a few minutes, or with the next morning's", () => {
  expect(mailedAt("at-once", at("03-01T10:00:00"), ANY_HOUR)).toEqual(at("03-01T10:05:00"));
  expect(mailedAt("daily", at("03-01T10:00:00"), ANY_HOUR)).toEqual(at("03-02T05:00:00"));
  expect(mailedAt("daily", at("03-01T04:59:59"), ANY_HOUR)).toEqual(at("03-01T05:00:00"));
  expect(mailedAt("daily", at("03-01T05:00:00"), ANY_HOUR)).toEqual(at("03-02T05:00:00"));
});

test("the morning is that of one's own zone, also where clocks change and where hours begin at other quarters", () => {
  expect(mailedAt("daily", at("03-01T10:00:00"), hours("Europe/Tallinn"))).toEqual(at("03-02T05:00:00"));
  // On 29 March 2026 at 3 clocks there are put on by an hour (EU directive 2000/84/EC, the last Sunday of March).
  expect(mailedAt("daily", at("03-28T10:00:00"), hours("Europe/Tallinn"))).toEqual(at("03-29T04:00:00"));
  expect(mailedAt("daily", at("03-01T10:00:00"), hours("Asia/Kathmandu"))).toEqual(at("03-02T01:15:00"));
  expect(mailedAt("daily", at("03-01T10:00:00"), hours("America/St_Johns"))).toEqual(at("03-01T10:30:00"));
});

test("in quiet hours nothing comes, also over midnight; what would come then comes when they end", () => {
  const night = hours("Europe/Tallinn", 18, 8);
  expect(mailedAt("at-once", at("03-02T15:00:00"), night)).toEqual(at("03-02T15:05:00"));
  expect(mailedAt("at-once", at("03-02T15:56:00"), night)).toEqual(at("03-03T06:00:00"));
  expect(mailedAt("at-once", at("03-02T23:00:00"), night)).toEqual(at("03-03T06:00:00"));
  expect(mailedAt("daily", at("03-02T15:00:00"), night)).toEqual(at("03-03T06:00:00"));
  expect(mailedAt("at-once", at("03-02T10:00:00"), hours("", 9, 17))).toEqual(at("03-02T17:00:00"));
  expect(mailedAt("at-once", at("03-02T10:00:00"), hours("", 9, 9))).toEqual(at("03-02T10:05:00"));
  // At 3 of that night there is no such hour: then it is the one of the next night that counts.
  const until3 = hours("Europe/Tallinn", 22, 3);
  expect(mailedAt("at-once", at("03-28T22:00:00"), until3)).toEqual(at("03-30T00:00:00"));
});

test("a zone is one of those there are", () => {
  expect(["Europe/Tallinn", "UTC", "America/Argentina/Ushuaia"].map(isZone)).toEqual([true, true, true]);
  expect(["Europe/Nowhere", "x".repeat(500), "../etc"].map(isZone)).toEqual([false, false, false]);
});
