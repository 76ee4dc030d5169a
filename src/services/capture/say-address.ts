import type { AddressProblem } from "@/core/address/read-address";

/** What is wrong with an address somebody gave, in words. */
export const ADDRESS_WORDS: Record<AddressProblem, string> = {
  empty: "Give an address.",
  "not-an-address": "This is not a web address. One looks like https://site.example/page.",
  "not-a-web-address": "Only addresses that begin with http or https can be brought in.",
  "has-password": "This address carries a name or password. Take that out first, so that it is not shared.",
};
