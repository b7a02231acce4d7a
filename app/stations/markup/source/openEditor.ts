/** One file in the editor from the moment it is opened until it is closed; what happens in it is told by callbacks. */
import { autocompletion } from '@codemirror/autocomplete';
import { defaultKeymap, indentWithTab, insertNewlineKeepIndent } from '@codemirror/commands';
import { lintGutter, nextDiagnostic } from '@codemirror/lint';
import { searchKeymap } from '@codemirror/search';
import { Annotation, type ChangeSet, Compartment, EditorState, type Extension, Prec } from '@codemirror/state';
import { drawSelection, EditorView, highlightActiveLine, keymap, lineNumbers } from '@codemirror/view';
import type { RefObject } from 'react';
import type { Range } from '~core/markup/index.ts';
import { applyEdits, type Edit, known } from '~core/site/index.ts';
import type { FindingView } from '~core/view/index.ts';
import { pageNonce } from '../../../ui/shell/emotion';
import { addressAt } from './addresses';
import { completing, type Surroundings } from './completion';
import { lineBreaksOf, toFileEdits, type LineBreaks } from './crlf';
import type { Mend } from './findings';
import type { LineSight } from './lineSight';
import { languageFor, look } from './look';
import { hint, lit } from './marks';

/** After this long without a key the typed text is written; ms. */
const PAUSE = 350;
/** The pointer rests as long before what it is over is looked up; ms. */
const REST = 60;

/** Marks changes that come from elsewhere and are not typed. */
export const external = Annotation.define<boolean>();
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
  /** `length` is that of the text before, in file characters. */
  onType: (length: number, edits: Edit[]) => void;
  onCursor: (selection: Selected) => void;
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

/** Offsets of the file are those of the text as it was last written; between two writings they are a little behind. */
export function openEditor(
  parent: HTMLElement,
  path: string,
  latest: RefObject<EditorProps>,
  base: RefObject<Base | null>,
): { view: EditorView; close: () => void } {
  const toFile = (offset: number) => known(base.current, 'text that is edited').breaks.toFile(offset);
  const typed = typedChanges(latest, base);
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
      doc: latest.current.text,
      extensions: [
        looks(path, latest),
        keys(latest, typed.flush, toFile, follow),
        EditorView.updateListener.of((update) => {
          if (update.geometryChanged || update.docChanged) sight.changed();
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
  return {
    view,
    close: () => {
      typed.flush();
      hover.stop();
      sight.stop();
      resized.disconnect();
      view.destroy();
    },
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
    autocompletion({ icons: false }),
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
        { key: 'Escape', run: (editor) => (editor.contentDOM.blur(), true) },
      ]),
    ),
    // A new line begins like the one before it; no tag is closed and no line indented by a rule of the editor's.
    keymap.of([{ key: 'Enter', run: insertNewlineKeepIndent }, ...searchKeymap, ...defaultKeymap, indentWithTab]),
  ];
}

/** Gathers what is typed until there is a pause, then tells it as edits of the file. */
function typedChanges(latest: RefObject<EditorProps>, base: RefObject<Base | null>) {
  let pending: ChangeSet | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const flush = () => {
    clearTimeout(timer);
    if (!pending) return;
    const changes: { from: number; to: number; text: string }[] = [];
    pending.iterChanges((from, to, _fromB, _toB, inserted) => changes.push({ from, to, text: inserted.toString() }));
    pending = null;
    const before = known(base.current, 'text that is edited');
    const edits: Edit[] = toFileEdits(changes, before.breaks);
    const applied = applyEdits(before.text, edits);
    if (applied.ok) base.current = baseOf(applied.text);
    latest.current.onType(before.text.length, edits);
  };
  const note = (changes: ChangeSet) => {
    pending = pending ? pending.compose(changes) : changes;
    clearTimeout(timer);
    timer = setTimeout(flush, PAUSE);
  };
  return { flush, note };
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
