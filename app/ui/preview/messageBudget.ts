/**
 * How many messages of a frame are heard: a page can send thousands in a second, and each that is read takes the main
 * thread's time. A page that scrolls under a moving pointer sends three for each frame of the screen, of which there may be 144
 * in a second.
 */
const AT_ONCE = 600;
const A_SECOND = 600;

export class MessageBudget {
  #left = AT_ONCE;
  #at: number;

  /** `now` in ms, from any beginning. */
  constructor(now: number) {
    this.#at = now;
  }

  /** Whether one more is heard; what is not heard is gone. */
  take(now: number): boolean {
    this.#left = Math.min(AT_ONCE, this.#left + ((now - this.#at) / 1000) * A_SECOND);
    this.#at = now;
    if (this.#left < 1) return false;
    this.#left -= 1;
    return true;
  }
}
