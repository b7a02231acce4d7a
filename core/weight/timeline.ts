/**
 * When each file of a page is there on a line: what a browser knows of, in the order of its priorities, over as many
 * connections as it has, which share the line evenly. What opening a connection takes, and compression of texts, are
 * left out; what the browser itself takes for a request is one round figure.
 */
import { grouped } from '../site/index.ts';
import { PRIORITIES, type PageRequest } from './request.ts';

export interface Line {
  /** kbit/s; null for no limit. */
  speed: number | null;
  /** Between a request and the first byte of its answer; ms. */
  latency: number;
}

interface Timed {
  request: PageRequest;
  /** The how manieth the browser came to know of, from 0. */
  turn: number;
  /** When the browser knows of it, when it is asked for, when it is there; ms from the page’s own request. */
  known: number;
  sent: number;
  done: number;
}

interface Timeline {
  /** In the order in which they are sent; what only comes when the page is scrolled is left out. */
  timed: Timed[];
  /** When something is seen first; ms. */
  laidOut: number;
  /** When all scripts that run by themselves have run, so that a click finds its viewer; ms. */
  clickable: number;
}

/** To one host, as browsers have it of HTTP/1.1 (common practice, no source). */
const CONNECTIONS = 6;

/** Of what is not urgent, as long as the body has not begun (Chromium; from what was measured). */
const MOST_BEFORE_BODY = 2;

/** What a browser takes between knowing of a file and asking for it; ms, measured on a computer with two cores. */
const HANDLING = 20;

interface Waiting {
  request: PageRequest;
  turn: number;
  known: number;
  /** Place in {@link PRIORITIES}. */
  rank: number;
}

interface Running extends Waiting {
  sent: number;
  /** When its first byte comes; ms. */
  starts: number;
  /** Bytes still to come. */
  left: number;
}

/** `again` is a visit after the first: each file is asked for, and found to be the same. */
export function timelineOf(requests: readonly PageRequest[], line: Line, again = false): Timeline {
  const run = new Run(requests, line, again);
  return run.played();
}

class Run {
  readonly #timed = new Map<PageRequest, Timed>();
  readonly #running: Running[] = [];
  /** Known, and not sent yet. */
  readonly #queue: Waiting[] = [];
  readonly #unknown: Set<PageRequest>;
  readonly #speed: number;
  /** Bytes of each file that have come. */
  readonly #come = new Map<PageRequest, number>();
  /** Of each page and frame, when it was laid out first. */
  readonly #laidOut = new Map<PageRequest, number>();
  readonly #documents: PageRequest[];
  /** By page: its scripts that the parser waits for, and its styles that the layout waits for. */
  readonly #holding: ReadonlyMap<PageRequest | null, readonly PageRequest[]>;
  /** As they are sent. */
  readonly #order: PageRequest[] = [];
  #now = 0;
  #turn = 0;

  constructor(
    private readonly requests: readonly PageRequest[],
    private readonly line: Line,
    private readonly again: boolean,
  ) {
    this.#unknown = new Set(requests.filter(({ when }) => when !== 'scrolled'));
    this.#documents = requests.filter(({ kind, when }) => (kind === 'page' || kind === 'frame') && when !== 'scrolled');
    const holding = requests.filter(({ holdsParser, holdsLayout }) => holdsParser || holdsLayout);
    this.#holding = grouped(holding, documentOf);
    this.#speed = line.speed === null ? Infinity : line.speed / 8;
  }

  played(): Timeline {
    for (;;) {
      this.#learn();
      this.#send();
      // What is seen first is laid out after what the text names has been asked for.
      if (this.#layOut()) continue;
      if (this.#running.length === 0) break;
      this.#advance();
    }
    const [first] = this.#documents;
    const timed = this.#order.flatMap((request) => this.#timed.get(request) ?? []);
    const holding = timed.filter(({ request }) => request.holdsClicks || request === first);
    const laidOut = (first && this.#laidOut.get(first)) ?? 0;
    return { timed, laidOut, clickable: Math.max(laidOut, ...holding.map(({ done }) => done)) };
  }

  /** What the browser comes to know of by what has come. */
  #learn(): void {
    for (let isNew = true; isNew;) {
      isNew = false;
      for (const request of this.#unknown) {
        if (!this.#isKnown(request)) continue;
        this.#unknown.delete(request);
        const isRaised = request.inSight && request.by !== null && this.#laidOut.has(request.by);
        const rank = PRIORITIES.indexOf(request.priority);
        this.#queue.push({
          request,
          turn: this.#turn++,
          known: this.#now,
          rank: isRaised ? Math.min(rank, RAISED) : rank,
        });
        isNew = true;
      }
    }
  }

  /** What can be laid out now; what of it is in sight is more urgent from now on. */
  #layOut(): boolean {
    const ready = this.#documents.filter((one) => !this.#laidOut.has(one) && this.#canLayOut(one));
    for (const document of ready) {
      this.#laidOut.set(document, this.#now);
      for (const one of this.#queue) {
        if (one.request.by === document && one.request.inSight) one.rank = Math.min(one.rank, RAISED);
      }
    }
    return ready.length > 0;
  }

  #isKnown(request: PageRequest): boolean {
    const { when, by } = request;
    if (by === null) return true;
    switch (when) {
      case 'scan':
        return this.#hasCome(by, request.from);
      case 'parse':
        return this.#isParsed(by, request.from);
      case 'loaded':
        return this.#timed.has(by);
      case 'layout':
        return this.#laidOut.has(by) && this.#isParsed(by, request.from);
      case 'idle':
        return this.#running.length === 0 && this.#queue.length === 0;
      default:
        return false;
    }
  }

  #hasCome(file: PageRequest, bytes: number): boolean {
    return this.#timed.has(file) || (bytes > 0 && (this.#come.get(file) ?? 0) + LITTLE >= bytes);
  }

  /** A script before a place holds the parser until it has run, which waits for the stylesheets before it. */
  #isParsed(page: PageRequest, upTo: number): boolean {
    if (!this.#hasCome(page, upTo)) return false;
    const holding = this.#holding.get(page) ?? [];
    const scripts = holding.filter(({ holdsParser, from }) => holdsParser && from < upTo);
    const last = Math.max(0, ...scripts.map(({ from }) => from));
    return holding.every((one) => {
      const holds = (one.holdsParser && one.from < upTo) || (one.holdsLayout && one.from < last);
      return !holds || this.#timed.has(one);
    });
  }

  /** Its beginning is parsed, and all styles that it is known to have are there, with what they import. */
  #canLayOut(page: PageRequest): boolean {
    if (!this.#hasCome(page, Math.min(page.bytes, Math.max(page.head, SEGMENT)))) return false;
    const lacking = (this.#holding.get(page) ?? []).filter((one) => !this.#timed.has(one));
    return lacking.every((one) => {
      if (one.holdsParser) return one.from > page.head;
      return this.#unknown.has(one) && one.when !== 'loaded';
    });
  }

  #send(): void {
    while (this.#running.length < CONNECTIONS) {
      const free = this.#queue.filter((one) => !this.#isHeldBack(one));
      const [first, ...others] = free;
      if (!first) return;
      // Of the same rank the one that was known first.
      const best = others.reduce((a, b) => (b.rank < a.rank ? b : a), first);
      this.#queue.splice(this.#queue.indexOf(best), 1);
      const { request, turn, known, rank } = best;
      this.#order.push(request);
      const sent = Math.max(this.#now, known + HANDLING);
      const left = this.again ? 0 : request.bytes;
      this.#running.push({ request, turn, known, rank, sent, starts: sent + this.line.latency, left });
    }
  }

  /** While scripts hold up the head of a page, what is not urgent may only take two connections. */
  #isHeldBack({ request: { by }, rank }: Waiting): boolean {
    if (rank <= RAISED || by === null || this.#isParsed(by, by.head)) return false;
    return this.#running.filter((one) => one.rank > RAISED).length >= MOST_BEFORE_BODY;
  }

  /** To the next moment at which something is there, or begins to come, or has come far enough to name a file. */
  #advance(): void {
    const coming = this.#running.filter(({ starts }) => starts <= this.#now);
    const share = this.#speed / Math.max(1, coming.length);
    const next = Math.min(
      ...this.#running.map((one) => {
        if (one.starts > this.#now) return one.starts;
        return this.#now + this.#untilNext(one) / share;
      }),
    );
    const passed = next - this.#now;
    this.#now = next;
    for (const one of coming) {
      const come = passed * share;
      one.left = Math.max(0, one.left - come);
      this.#come.set(one.request, one.request.bytes - one.left);
    }
    for (const one of [...this.#running]) {
      if (one.starts > this.#now || one.left > LITTLE) continue;
      this.#running.splice(this.#running.indexOf(one), 1);
      const { request, turn, known, sent } = one;
      this.#timed.set(request, { request, turn, known, sent, done: this.#now });
    }
  }

  /** Bytes until a page has come so far that it names one more file; of other files all that is left. */
  #untilNext({ request, left }: Running): number {
    const come = request.bytes - left;
    let until = left;
    for (const one of this.#unknown) {
      if (one.by === request && one.from > come + LITTLE) until = Math.min(until, one.from - come);
    }
    return until;
  }
}

/** So much of a page comes at once; bytes, as TCP sends them over most lines (RFC 6691 §2 with 1500 bytes a frame). */
const SEGMENT = 1460;

/** Bytes; what is less is rounding. */
const LITTLE = 1e-6;

/** The rank of what is in sight. */
const RAISED = PRIORITIES.indexOf('high');

/** The page that a stylesheet counts for, through those that import it. */
function documentOf(request: PageRequest): PageRequest | null {
  for (let at = request.by; at; at = at.by) if (at.kind === 'page' || at.kind === 'frame') return at;
  return null;
}
