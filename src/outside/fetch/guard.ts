import { lookup as systemLookup } from "node:dns";
import type { LookupAddress, LookupOptions } from "node:dns";
import ipaddr from "ipaddr.js";

/** Thrown where an address leads into a private network. */
export class Guarded extends Error {}

/**
 * Whether an address of a host is out in the open. Only unicast addresses of the public internet are; private,
 * loopback, link-local, multicast, documentation and benchmark ranges are not (IANA special-purpose registries,
 * as ipaddr.js knows them), and an IPv4 address inside an IPv6 one is judged as what it is.
 * @param text an IP address, of either version
 */
export function isPublicAddress(text: string): boolean {
  let address: ipaddr.IPv4 | ipaddr.IPv6;
  try {
    address = ipaddr.parse(text.replace(/^\[|\]$/g, ""));
  } catch {
    return false;
  }
  if (address instanceof ipaddr.IPv6) {
    if (address.isIPv4MappedAddress()) return isPublicAddress(address.toIPv4Address().toString());
    const bytes = address.toByteArray();
    // NAT64 (64:ff9b::/96, RFC 6052), IPv4-compatible (::/96) and 6to4 (2002::/16, RFC 3056) carry an IPv4 address.
    if (address.range() === "rfc6052" || bytes.slice(0, 12).every((b) => b === 0))
      return isPublicAddress(bytes.slice(12).join("."));
    if (address.range() === "6to4") return isPublicAddress(bytes.slice(2, 6).join("."));
  }
  return address.range() === "unicast";
}

/**
 * Patterns of origins that a setting allows, as `http://*.localhost:4801`: scheme, host and port all count.
 * @param allowed origins separated by blanks, as the setting has them
 */
export function allowedOrigin(url: URL, allowed: string): boolean {
  return allowed
    .split(/\s+/)
    .filter(Boolean)
    .some((pattern) => {
      const [, scheme, wild, host, port = ""] =
        /^(https?):\/\/(\*\.)?([^:/]+)(?::(\d+))?$/.exec(pattern) ?? [];
      if (!host || url.protocol !== `${scheme}:` || url.port !== port) return false;
      return wild ? url.hostname.endsWith(`.${host}`) : url.hostname === host;
    });
}

type Callback = (error: Error | null, address?: string | LookupAddress[], family?: number) => void;

/** A lookup for sockets that hands over only public addresses: the one that was checked is the one connected to. */
export function guardedLookup(host: string, options: LookupOptions, callback: Callback): void {
  systemLookup(host, { ...options, all: true }, (error, addresses) => {
    if (error) return callback(error);
    const list = addresses as unknown as LookupAddress[];
    if (!list.length || list.some(({ address }) => !isPublicAddress(address)))
      return callback(new Guarded(`${host} is inside a private network`));
    if (options.all) callback(null, list);
    else callback(null, list[0]!.address, list[0]!.family);
  });
}

/** The stand-in's names end in .localhost and are this machine. */
export function loopbackLookup(_host: string, options: LookupOptions, callback: Callback): void {
  if (options.all) callback(null, [{ address: "127.0.0.1", family: 4 }]);
  else callback(null, "127.0.0.1", 4);
}
