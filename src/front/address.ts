import type { IncomingMessage } from "node:http";
import ipaddr from "ipaddr.js";

type Range = [ipaddr.IPv4 | ipaddr.IPv6, number];

/**
 * The networks of proxies whose word on a request's address is taken.
 * @param named addresses and networks, separated by blanks: `10.0.0.0/8 ::1`
 * @throws when one of them is none
 */
export const readProxies = (named: string): Range[] =>
  named
    .split(/\s+/)
    .filter(Boolean)
    .map((one) => (one.includes("/") ? ipaddr.parseCIDR(one) : wholeOf(ipaddr.parse(one))));

const wholeOf = (address: ipaddr.IPv4 | ipaddr.IPv6): Range => [
  address,
  address.kind() === "ipv4" ? 32 : 128,
];

const within = (text: string, ranges: readonly Range[]): boolean => {
  if (!ipaddr.isValid(text)) return false;
  const address = ipaddr.process(text);
  return ranges.some(
    ([network, bits]) => network.kind() === address.kind() && address.match(network as never, bits),
  );
};

/**
 * The address a request comes from: that of its socket, or, where that is a proxy that is trusted, the nearest one it
 * names that is none (X-Forwarded-For, read from the right, because whoever asks may write anything at its left).
 */
export function addressOf(request: IncomingMessage, proxies: readonly Range[]): string {
  let address = plain(request.socket.remoteAddress ?? "");
  const named = String(request.headers["x-forwarded-for"] ?? "")
    .split(",")
    .map((one) => plain(one.trim()));
  while (within(address, proxies)) {
    const before = named.pop();
    if (!before || !ipaddr.isValid(before)) break;
    address = before;
  }
  return address;
}

/** Addresses of version 4 as they are written, also where a socket of version 6 has them. */
const plain = (text: string) => (ipaddr.isValid(text) ? ipaddr.process(text).toString() : text);

/** Whether whoever sent the request is a proxy that is trusted. */
export const isFromProxy = (request: IncomingMessage, proxies: readonly Range[]): boolean =>
  within(plain(request.socket.remoteAddress ?? ""), proxies);
