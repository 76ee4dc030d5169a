/**
 * Reads again what others change, but not while something done here is under way: an answer that was put together before
 * it arrived would take it from the screen. What was to be read meanwhile is read once, when all of it has been answered.
 */
export class RereadAtRest {
  #underWay = 0;
  #stale = false;

  /**
   * @param read reads anew
   * @param stop lets go of a reading that is under way; its answer counts no more
   */
  constructor(
    private readonly read: () => void,
    private readonly stop: () => void,
  ) {}

  again(): void {
    if (this.#underWay) this.#stale = true;
    else this.read();
  }

  /** Something that was shown at once and is being sent. */
  during<T>(sent: Promise<T>): Promise<T> {
    this.#underWay++;
    this.#stale = true;
    this.stop();
    const end = () => {
      if (--this.#underWay || !this.#stale) return;
      this.#stale = false;
      this.read();
    };
    sent.then(end, end);
    return sent;
  }
}
