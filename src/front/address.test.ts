import type { IncomingMessage } from "node:http";
import { expect, test } from "vitest";
import { addressOf, isFromProxy, readProxies } from "./address";

const request = (socket: string, forwarded?: string) =>
  ({
    socket: { remoteAddress: socket },
    headers: forwarded === undefined ? {} : { "x-forwarded-for": forwarded },
  }) as unknown as IncomingMessage;

test.each([
  ["nobody is trusted: the socket counts", "", "203.0.113.9", "198.51.100.1", "203.0.113.9"],
  ["a proxy that is trusted names who asks", "127.0.0.1", "127.0.0.1", "198.51.100.1", "198.51.100.1"],
  [
    "what whoever asks wrote at the left does not count",
    "127.0.0.1",
    "127.0.0.1",
    "10.9.9.9, 198.51.100.1",
    "198.51.100.1",
  ],
  [
    "through two proxies",
    "10.0.0.0/8 127.0.0.1",
    "127.0.0.1",
    "1.2.3.4, 198.51.100.1, 10.0.0.7",
    "198.51.100.1",
  ],
  ["a stranger cannot pass for a proxy", "10.0.0.0/8", "203.0.113.9", "198.51.100.1", "203.0.113.9"],
  [
    "a socket of version 6 with an address of version 4",
    "127.0.0.1",
    "::ffff:127.0.0.1",
    "198.51.100.1",
    "198.51.100.1",
  ],
  ["version 6", "::1", "::1", "2001:db8::7", "2001:db8::7"],
  ["nothing that is no address", "127.0.0.1", "127.0.0.1", "unknown", "127.0.0.1"],
])("%s", (_, proxies, socket, forwarded, expected) => {
  expect(addressOf(request(socket, forwarded), readProxies(proxies))).toBe(expected);
});

test("without a word from anybody the socket counts", () => {
  const proxies = readProxies("127.0.0.1");
  expect(addressOf(request("127.0.0.1"), proxies)).toBe("127.0.0.1");
  expect([isFromProxy(request("127.0.0.1"), proxies), isFromProxy(request("127.0.0.2"), proxies)]).toEqual([
    true,
    false,
  ]);
});
