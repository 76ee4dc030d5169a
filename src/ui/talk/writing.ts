/** Saves a text. `base` is what it began from, the newest first where it is not known what has arrived. */
export type Save = (text: string, base: string[]) => Promise<unknown>;

/** How many texts that may have arrived are told of; the one that surely stands there is always among them. */
const MOST = 5;

/**
 * One text while it is being written and saved again and again: it knows what stands there as far as its own saves go,
 * so that each save can say what it began from and what others write meanwhile is merged.
 */
export class Writing {
  /** The newest first; the last has surely been there. */
  #base: string[] = [];
  #open = 0;

  /** Told when somebody begins to write. What one's own saves left there counts more than what is shown. */
  begin(shown: string): void {
    if (!this.#open) this.#base = [shown];
  }

  /** Told when somebody has looked at what others wrote in the same place. */
  seen(now: string): void {
    this.#base = [now];
  }

  /**
   * Saves what stands in the field.
   * @throws whatever `send` does
   */
  async save(text: string, send: Save): Promise<unknown> {
    const base = this.#base.slice(0, MOST - 1).concat(this.#base.slice(MOST - 1).slice(-1));
    this.#base = [text, ...base];
    this.#open++;
    try {
      const answer = await send(text, base);
      const at = this.#base.indexOf(text);
      if (at >= 0) this.#base.length = at + 1;
      return answer;
    } catch (error) {
      // Only what was refused for good is heard of; it does not stand there.
      this.#base = this.#base.filter((one, i) => one !== text || i === this.#base.length - 1);
      throw error;
    } finally {
      this.#open--;
    }
  }
}
