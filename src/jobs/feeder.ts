import { log } from "@/outside/log";
import { onSignal } from "@/outside/signals";
import { feedSome } from "@/services/search/feed";

const IDLE = 1_000;
const AFTER_FAILURE = 5_000;
/** Changes that come together are fed together. */
const GATHER = 60;

/**
 * Feeds the index of words with what changed, as long as the process lives. It is no job of the queue: what is due is
 * noted in a table of its own, so that a change is fed however often it comes.
 * @returns the way to stop it
 */
export function startFeeder(): () => Promise<void> {
  let stopped = false;
  let wake = () => {};
  const unlisten = onSignal("events", () => wake());
  const sleep = (ms: number) =>
    new Promise<void>((resolve) => {
      const timer = setTimeout(resolve, ms);
      wake = () => {
        clearTimeout(timer);
        setTimeout(resolve, GATHER);
      };
    });
  const running = (async () => {
    while (!stopped) {
      try {
        if ((await feedSome()) === 0) await sleep(IDLE);
      } catch (error) {
        log.warn({ err: error }, "the index of words could not be fed");
        await sleep(AFTER_FAILURE);
      }
    }
  })();
  return async () => {
    stopped = true;
    unlisten();
    wake();
    await running;
  };
}
