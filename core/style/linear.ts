/** Lengths as a share of the room and CSS px: `calc((100% - 2 * 10px) / 3)` (CSS Values 4 §10). */

export interface Linear {
  /** Of the room, in hundredths. */
  percent: number;
  /** CSS px. */
  px: number;
}

/** What relative units stand for; CSS px. */
export interface Units {
  em: number;
  rem: number;
  /** A hundredth of the window’s width. */
  vw: number;
}

const TOKEN = /\s*(?:(\d*\.?\d+(?:e[+-]?\d+)?)(%|[a-z]+)?|(calc)?(\()|(\))|([-+*/]))/iy;

type Token = { number: number; unit: string } | { sign: string };

function tokensOf(text: string): Token[] | null {
  const tokens: Token[] = [];
  TOKEN.lastIndex = 0;
  for (let at = 0; text.slice(at).trim() !== '';) {
    TOKEN.lastIndex = at;
    const found = TOKEN.exec(text);
    if (!found) return null;
    const [, number, unit = '', , open, close, sign] = found;
    tokens.push(
      number === undefined
        ? { sign: open ?? close ?? sign ?? '' }
        : { number: Number(number), unit: unit.toLowerCase() },
    );
    at = TOKEN.lastIndex;
  }
  return tokens;
}

/** A number by itself has no unit; what is neither a length nor a number cannot be said. */
type Term = Linear & { plain: boolean };

const scaled = (term: Term, by: number): Term => ({ ...term, percent: term.percent * by, px: term.px * by });

class Reader {
  #at = 0;
  constructor(
    readonly tokens: readonly Token[],
    readonly units: Units,
  ) {}

  /** All of the tokens; null where they say something else. */
  whole(): Term | null {
    const sum = this.#sum();
    return this.#at === this.tokens.length ? sum : null;
  }

  #sign(signs: string): string | null {
    const next = this.tokens[this.#at];
    if (!next || !('sign' in next) || !signs.includes(next.sign)) return null;
    this.#at++;
    return next.sign;
  }

  #sum(): Term | null {
    let sum = this.#product();
    for (let sign = this.#sign('+-'); sum && sign; sign = this.#sign('+-')) {
      const more = this.#product();
      if (!more || more.plain !== sum.plain) return null;
      const by = sign === '-' ? -1 : 1;
      sum = { percent: sum.percent + by * more.percent, px: sum.px + by * more.px, plain: sum.plain };
    }
    return sum;
  }

  #product(): Term | null {
    let product = this.#one();
    for (let sign = this.#sign('*/'); product && sign; sign = this.#sign('*/')) {
      const other = this.#one();
      if (!other) return null;
      if (sign === '/') product = other.plain && other.px !== 0 ? scaled(product, 1 / other.px) : null;
      else if (other.plain) product = scaled(product, other.px);
      else product = product.plain ? scaled(other, product.px) : null;
    }
    return product;
  }

  #one(): Term | null {
    if (this.#sign('-')) {
      const one = this.#one();
      return one && scaled(one, -1);
    }
    if (this.#sign('+')) return this.#one();
    if (this.#sign('(')) {
      const inside = this.#sum();
      return this.#sign(')') === null ? null : inside;
    }
    const next = this.tokens[this.#at++];
    return next && 'number' in next ? this.#length(next) : null;
  }

  #length({ number, unit }: { number: number; unit: string }): Term | null {
    if (unit === '') return { percent: 0, px: number, plain: true };
    if (unit === '%') return { percent: number, px: 0, plain: false };
    const size = { px: 1, pt: 4 / 3, ...this.units }[unit];
    return size === undefined ? null : { percent: 0, px: number * size, plain: false };
  }
}

/** Null where the value is no such length, or holds one that only a browser knows. */
export function linearOf(value: string, units: Units): Linear | null {
  const tokens = tokensOf(value);
  const term = tokens && tokens.length > 0 ? new Reader(tokens, units).whole() : null;
  if (!term || (term.plain && term.px !== 0)) return null;
  return { percent: term.percent, px: term.px };
}

/** CSS px in a room of so many. */
export const inRoom = ({ percent, px }: Linear, room: number): number => (percent / 100) * room + px;
