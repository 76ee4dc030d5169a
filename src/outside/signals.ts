import { EventEmitter } from "node:events";

type Signal = "events" | "jobs" | "stopping";
const shared = globalThis as { hobbinSignals?: EventEmitter };
const emitter = (shared.hobbinSignals ??= new EventEmitter().setMaxListeners(0));

/** Says within this process that something was written, so that whoever waits need not wait for the next look. */
export const signal = (what: Signal): boolean => emitter.emit(what);
/** Listens for `what`; the returned function stops it. */
export function onSignal(what: Signal, listener: () => void): () => void {
  emitter.on(what, listener);
  return () => emitter.off(what, listener);
}
