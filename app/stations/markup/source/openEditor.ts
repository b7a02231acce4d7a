/** One file in the editor from the moment it is opened until it is closed; what happens in it is told by callbacks. */
import { autocompletion, closeCompletion, completionKeymap } from '@codemirror/autocomplete';
import { defaultKeymap, indentWithTab, insertNewlineKeepIndent } from '@codemirror/commands';
import { lintGutter, nextDiagnostic } from '@codemirror/lint';
import { searchKeymap } from '@codemirror/search';
import {
  Annotation,
  ChangeSet,
  Compartment,
  EditorState,
  type Extension,
  Prec,
  type StateEffect,
} from '@codemirror/state';
import { drawSelection, EditorView, highlightActiveLine, keymap, lineNumbers, type ViewUpdate } from '@codemirror/view';
import type { RefObject } from 'react';
import type { Range } from '~core/markup/index.ts';
import { applyEdits, type Edit, known, smallestEdit } from '~core/site/index.ts';
import type { FindingView } from '~core/view/index.ts';
import { addDropTarget, type DropTarget } from '../../../ui/parts/dropTargets';
import { pageNonce } from '../../../ui/shell/emotion';
import { color } from '../../../ui/theme';
import { addressAt } from './addresses';
import { completing, type Surroundings } from './completion';
import { lineBreaksOf, toFileEdits, type LineBreaks } from './crlf';
import type { Mend } from './findings';
import type { LineSight } from './lineSight';
import { languageFor, look } from './look';
import { hint, lit } from './marks';

/**
 * After this long without a key the typed text is written, and the page is read and shown anew; ms. Where that takes
 * long, the pause is twice as long as it took the last time: whoever types on would wait for each letter meanwhile.
 */
const PAUSE = { shortest: 350, longest: 2000 };
/** No key is older than this before it is kept, whether a pause comes or not; ms. */
const KEEP = 400;
/** The pointer rests as long before what it is over is looked up; ms. */
const REST = 60;

/** What tells of a change reaches so far up from the foot of the text; CSS px. */
const TOLD = 190;

/** Marks changes that come from elsewhere and are not typed. */
const external = Annotation.define<boolean>();
export const readOnlyPart = new Compartment();

/** What the file held when the editor last agreed with it, and how its line breaks are counted. */
export interface Base {
  text: string;
  breaks: LineBreaks;
}

export const baseOf = (text: string): Base => ({ text, breaks: lineBreaksOf(text) });

/** What is selected, in offsets of the file, and the end of it where the cursor is. */
export interface Selected extends Range {
  head: number;
}

export interface EditorProps {
  path: string;
  text: string;
  readOnly: boolean;
  /** The lines to light. */
  lit: Range | null;
  /** Lines of what is pointed at on the live page. */
  hinted: Range | null;
  /** A place to go to; another object goes there again. */
  spot: Range | null;
  findings: readonly FindingView[];
  surroundings: Surroundings;
  /** What was typed into `before`, so far: it is to be kept, and goes on. */
  onKeep: (before: string, edits: Edit[]) => void;
  /** What was typed into `before`: it is to be written. */
  onType: (before: string, edits: Edit[]) => void;
  /** The page is going, or is put behind another, and may not come back. */
  onLeave: () => void;
  /** What the file will hold when all is written that was handed over; null where it does. */
  unwritten: () => string | null;
  onCursor: (selection: Selected) => void;
  /** Pictures of the site were dropped there. */
  onPictures: (offset: number) => void;
  /** Null where the pointer has left the text. */
  onHover: (offset: number | null) => void;
  onSight: (sight: LineSight) => void;
  onUndo: (way: 'undo' | 'redo') => void;
  /** An address of the text is to be followed. */
  onFollow: (address: string) => void;
  onMend: Mend;
  /** Somebody wants to say where a link leads. */
  onLink: (at: Range) => void;
}

interface OpenEditor {
  view: EditorView;
  /** The file has become another; what is being typed stays. */
  adopt: (text: string) => void;
  /** What was typed has been written and the page been read anew. */
  refreshed: () => void;
  close: () => void;
}

/** Offsets of the file are those of the text as it was last written; between two writings they are a little behind. */
export function openEditor(
  parent: HTMLElement,
  path: string,
  latest: RefObject<EditorProps>,
  base: RefObject<Base | null>,
): OpenEditor {
  const toFile = (offset: number) => known(base.current, 'text that is edited').breaks.toFile(offset);
  const typed = typedChanges(latest, base);
  const stopLeaving = whenLeaving(() => {
    typed.flush();
    latest.current.onLeave();
  });
  const hover = hovering((offset) => latest.current.onHover(offset === null ? null : toFile(offset)));
  const follow = (editor: EditorView, offset: number): boolean => {
    const line = editor.state.doc.lineAt(offset);
    const address = addressAt(line.text, offset - line.from);
    if (address) latest.current.onFollow(address.text);
    return address !== null;
  };
  const view: EditorView = new EditorView({
    parent,
    state: EditorState.create({
      doc: base.current?.text ?? '',
      extensions: [
        looks(path, latest),
        keys(latest, typed.flush, toFile, follow),
        EditorView.updateListener.of((update) => {
          if (movesLines(update)) sight.changed();
          const byHand = update.docChanged && !update.transactions.some((one) => one.annotation(external));
          if (byHand) typed.note(update.changes);
          // While somebody types, only when what was typed is written: what is at the cursor is looked up in that.
          else if (update.selectionSet || update.focusChanged)
            tellCursor(update.view, base.current, latest.current.onCursor);
        }),
        EditorView.domEventHandlers({
          scroll: () => sight.changed(),
          blur: () => typed.flush(),
          mousemove: hover.move,
          mouseleave: hover.leave,
          // Files are taken into the site by what is around; the editor would write their text.
          drop: (event) => (event.dataTransfer?.files.length ?? 0) > 0,
          mousedown: (event, editor) => {
            if (!event.ctrlKey && !event.metaKey) return false;
            const offset = editor.posAtCoords({ x: event.clientX, y: event.clientY });
            return offset !== null && follow(editor, offset);
          },
        }),
      ],
    }),
  });
  const sight = lineSight(view, (one) => latest.current.onSight(one));
  sight.changed();
  const resized = new ResizeObserver(() => sight.changed());
  resized.observe(parent);
  const caret = dropCaret(view);
  const endDrops = addDropTarget({
    box: parent,
    over: caret,
    drop: (at) => {
      typed.flush();
      latest.current.onPictures(toFile(view.posAtCoords(at, false)));
    },
  });
  return {
    view,
    adopt: (text) => typed.adopt(view, text),
    refreshed: typed.refreshed,
    close: () => {
      typed.flush();
      stopLeaving();
      endDrops();
      hover.stop();
      sight.stop();
      resized.disconnect();
      view.destroy();
    },
  };
}

/** A line at the place of the text where what is dragged would be dropped. */
function dropCaret(view: EditorView): DropTarget['over'] {
  const line = document.createElement('div');
  line.setAttribute('aria-hidden', 'true');
  Object.assign(line.style, { position: 'fixed', width: '2px', background: color('heather'), pointerEvents: 'none' });
  return (at) => {
    const box = at && view.coordsAtPos(view.posAtCoords(at, false));
    if (!box) return line.remove();
    Object.assign(line.style, { left: `${box.left}px`, top: `${box.top}px`, height: `${box.bottom - box.top}px` });
    view.dom.append(line);
  };
}

/** How the text is shown, and what is offered while it is written. */
function looks(path: string, latest: RefObject<EditorProps>): Extension {
  // One and the same list: a new one would begin every completion anew.
  const sources = [{ autocomplete: completing(() => latest.current.surroundings) }];
  const nonce = pageNonce();
  return [
    nonce ? EditorView.cspNonce.of(nonce) : [],
    lintGutter(),
    lineNumbers(),
    drawSelection(),
    highlightActiveLine(),
    EditorView.lineWrapping,
    lit.field,
    hint.field,
    look,
    languageFor(path),
    readOnlyPart.of(EditorState.readOnly.of(latest.current.readOnly)),
    autocompletion({ icons: false, defaultKeymap: false }),
    EditorState.languageData.of(() => sources),
    EditorView.contentAttributes.of({ 'aria-label': `Source of ${path}`, tabindex: '0' }),
  ];
}

function keys(
  latest: RefObject<EditorProps>,
  flush: () => void,
  toFile: (offset: number) => number,
  follow: (editor: EditorView, offset: number) => boolean,
): Extension {
  const step = (way: 'undo' | 'redo') => () => {
    flush();
    latest.current.onUndo(way);
    return true;
  };
  const linkHere = (editor: EditorView): boolean => {
    flush();
    const { from, to } = editor.state.selection.main;
    latest.current.onLink({ start: toFile(from), end: toFile(to) });
    return true;
  };
  return [
    Prec.high(
      keymap.of([
        // Undo is the site's, across all files; the editor keeps none of its own.
        { key: 'Mod-z', run: step('undo'), preventDefault: true },
        { key: 'Mod-y', run: step('redo'), preventDefault: true },
        { key: 'Mod-Shift-z', run: step('redo'), preventDefault: true },
        { key: 'Mod-Enter', run: (editor) => follow(editor, editor.state.selection.main.head) },
        { key: 'Alt-l', run: linkHere, preventDefault: true },
        { key: 'F8', run: nextDiagnostic },
      ]),
    ),
    // Completions would take Escape also for a list that is only looked for and not seen.
    Prec.highest(keymap.of([{ key: 'Escape', run: closedOrLeft }, ...completionKeymap])),
    // A new line begins like the one before it; no tag is closed and no line indented by a rule of the editor's.
    keymap.of([{ key: 'Enter', run: insertNewlineKeepIndent }, ...searchKeymap, ...defaultKeymap, indentWithTab]),
  ];
}

/** A list that is seen closes; where none is, the editor is left. */
function closedOrLeft(view: EditorView): boolean {
  // Asked of the screen: while letters come the list stands there, and counts as looked for anew.
  const isSeen = view.dom.querySelector('.cm-tooltip-autocomplete') !== null;
  closeCompletion(view);
  return isSeen || left(view);
}

/** Out of the editor, to the place behind it: from there Tab goes on, and letters that come late do nothing. */
function left({ dom, contentDOM }: EditorView): boolean {
  const behind = dom.parentElement?.nextElementSibling;
  if (behind instanceof HTMLElement) behind.focus();
  else contentDOM.blur();
  return true;
}

/** A letter within a line moves no other line: what is drawn beside them stays as it is. */
const movesLines = (update: ViewUpdate): boolean =>
  update.heightChanged ||
  update.viewportChanged ||
  (update.docChanged ? update.startState.doc.lines !== update.state.doc.lines : update.geometryChanged);

interface TypedChanges {
  flush: () => void;
  note: (changes: ChangeSet) => void;
  adopt: (view: EditorView, text: string) => void;
  refreshed: () => void;
}

/** Gathers what is typed until there is a pause, then tells it as edits of the file; what is gathered is kept. */
function typedChanges(latest: RefObject<EditorProps>, base: RefObject<Base | null>): TypedChanges {
  let pending: ChangeSet | null = null;
  let pause: ReturnType<typeof setTimeout> | undefined;
  let keeping: ReturnType<typeof setTimeout> | null = null;
  let wait = PAUSE.shortest;
  let written: number | null = null;
  const gathered = (changes: ChangeSet, before: Base): Edit[] => {
    const parts: { from: number; to: number; text: string }[] = [];
    changes.iterChanges((from, to, _fromB, _toB, inserted) => parts.push({ from, to, text: inserted.toString() }));
    return toFileEdits(parts, before.breaks);
  };
  const keep = () => {
    keeping = null;
    const before = known(base.current, 'text that is edited');
    if (pending) latest.current.onKeep(before.text, gathered(pending, before));
  };
  const flush = () => {
    clearTimeout(pause);
    clearTimeout(keeping ?? undefined);
    keeping = null;
    if (!pending) return;
    const before = known(base.current, 'text that is edited');
    const edits = gathered(pending, before);
    pending = null;
    const applied = applyEdits(before.text, edits);
    if (applied.ok) base.current = baseOf(applied.text);
    written = performance.now();
    latest.current.onType(before.text, edits);
  };
  const note = (changes: ChangeSet) => {
    pending = pending ? pending.compose(changes) : changes;
    clearTimeout(pause);
    pause = setTimeout(flush, wait);
    keeping ??= setTimeout(keep, KEEP);
  };
  /**
   * Takes in the difference and leaves the rest, the cursor and what is being typed, alone. Where nobody types, the
   * first place that changed is brought into sight.
   */
  const adopt = (view: EditorView, text: string) => {
    const before = known(base.current, 'text that is edited');
    base.current = baseOf(text);
    const [old, now] = [before.text, text].map((one) => one.replaceAll('\r\n', '\n'));
    const theirs = ChangeSet.of(
      smallestEdit(old ?? '', now ?? '').map(({ start, end, text: insert }) => ({ from: start, to: end, insert })),
      old?.length ?? 0,
    );
    const mine = pending;
    pending = mine && mine.map(theirs);
    if (theirs.empty) return;
    view.dispatch({
      changes: mine ? theirs.map(mine, true) : theirs,
      annotations: external.of(true),
      effects: mine ? [] : firstIntoSight(theirs, view),
    });
  };
  const refreshed = () => {
    if (written === null) return;
    wait = Math.min(PAUSE.longest, Math.max(PAUSE.shortest, 2 * (performance.now() - written)));
    written = null;
  };
  return { flush, note, adopt, refreshed };
}

/** As near as can be, but not under what tells of the change at the foot of the window. */
function firstIntoSight(changes: ChangeSet, view: EditorView): StateEffect<unknown>[] {
  const starts: number[] = [];
  changes.iterChanges((_fromA, _toA, from) => starts.push(from));
  const [first] = starts;
  const yMargin = Math.min(TOLD, view.scrollDOM.clientHeight / 3);
  return first === undefined ? [] : [EditorView.scrollIntoView(first, { y: 'nearest', yMargin })];
}

function whenLeaving(act: () => void): () => void {
  const hidden = () => document.visibilityState === 'hidden' && act();
  // Before the page is left the browser waits for what is done; afterwards the tab may be closed over it.
  addEventListener('beforeunload', act);
  addEventListener('pagehide', act);
  document.addEventListener('visibilitychange', hidden);
  return () => {
    removeEventListener('beforeunload', act);
    removeEventListener('pagehide', act);
    document.removeEventListener('visibilitychange', hidden);
  };
}

/** Tells over which offset of the editor the pointer rests; null where it has left. */
function hovering(tell: (offset: number | null) => void) {
  let resting: ReturnType<typeof setTimeout> | undefined;
  const stop = () => clearTimeout(resting);
  return {
    move: (event: MouseEvent, editor: EditorView) => {
      stop();
      const at = { x: event.clientX, y: event.clientY };
      resting = setTimeout(() => tell(editor.posAtCoords(at)), REST);
    },
    leave: () => {
      stop();
      tell(null);
    },
    stop,
  };
}

/** Tells which lines are in sight, once a frame, however much has moved. */
function lineSight(view: EditorView, tell: (sight: LineSight) => void) {
  let asked = 0;
  const look = () => {
    asked = 0;
    const { scrollTop, clientHeight } = view.scrollDOM;
    const top = view.documentPadding.top;
    const lineAt = (height: number) => view.state.doc.lineAt(view.lineBlockAtHeight(height - top).from).number;
    tell({
      height: clientHeight,
      lines: { first: lineAt(scrollTop), last: lineAt(scrollTop + clientHeight) },
      middleOf: (line) => {
        const at = view.state.doc.line(Math.min(Math.max(1, line), view.state.doc.lines));
        const block = view.lineBlockAt(at.from);
        return block.top + top + block.height / 2 - scrollTop;
      },
    });
  };
  return {
    changed: () => void (asked ||= requestAnimationFrame(look)),
    stop: () => cancelAnimationFrame(asked),
  };
}

export function tellCursor(editor: EditorView, base: Base | null, onCursor: (selection: Selected) => void): void {
  if (!editor.hasFocus || !base) return;
  const { from, to, head } = editor.state.selection.main;
  onCursor({ start: base.breaks.toFile(from), end: base.breaks.toFile(to), head: base.breaks.toFile(head) });
}
