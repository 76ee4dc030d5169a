const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;

/**
 * A clock for the demo: it begins months ago and goes on as people work, a few minutes from one thing to the next, in the
 * hours of a working day, until today. The same beginning gives the same times.
 */
export class Calendar {
  #at: number;
  #step = 0;
  #since = performance.now();

  /** @param today when everything has come about */
  constructor(private readonly today: Date) {
    this.#at = today.getTime() - 305 * DAY;
  }

  /** Between two steps it goes on as a clock does, or whoever waits for a moment would wait for ever. */
  readonly now = (): Date => new Date(this.#at + performance.now() - this.#since);

  /** Goes on to so many days before today, in the morning; never back. */
  daysAgo(days: number): void {
    const day = new Date(this.today.getTime() - days * DAY);
    day.setUTCHours(8 + (Math.floor(days) % 3), Math.floor(days * 17) % 60, 0, 0);
    this.#goTo(day.getTime());
  }

  /** One thing more is done: some minutes later, or, when the day is over, the next working morning. */
  tick(): void {
    this.#step++;
    let next = new Date(this.now().getTime() + (2 + ((this.#step * 7) % 11)) * MINUTE);
    if (next.getUTCHours() >= 16) next = new Date(next.getTime() + 16 * 60 * MINUTE);
    while (next.getUTCDay() === 0 || next.getUTCDay() === 6) next = new Date(next.getTime() + DAY);
    this.#goTo(next.getTime());
  }

  /** Nothing more is done for so many days; then, in the morning, somebody goes on. */
  pause(days: number): void {
    this.daysAgo((this.today.getTime() - this.#at) / DAY - days);
  }

  #goTo(time: number): void {
    this.#at = Math.max(this.now().getTime(), Math.min(time, this.today.getTime()));
    this.#since = performance.now();
  }
}
