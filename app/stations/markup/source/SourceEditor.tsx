/**
 * The author's source in CodeMirror. What is typed becomes edits of the file; what changes elsewhere comes in as the
 * smallest change.
 */
import { autocompletion } from '@codemirror/autocomplete';
import { defaultKeymap, indentWithTab, insertNewlineKeepIndent } from '@codemirror/commands';
import { lintGutter, nextDiagnostic, setDiagnostics } from '@codemirror/lint';
import { searchKeymap } from '@codemirror/search';
import { Annotation, type ChangeSet, Compartment, EditorState, Prec } from '@codemirror/state';
import { drawSelection, EditorView, highlightActiveLine, keymap, lineNumbers } from '@codemirror/view';
import Box from '@mui/material/Box';
import { useEffect, useRef } from 'react';
import type { Range } from '~core/markup/index.ts';
import { applyEdits, type Edit, known, smallestEdit } from '~core/site/index.ts';
import type { FindingView } from '~core/view/index.ts';
import { pageNonce } from '../../../ui/shell/emotion';
import { addressAt } from './addresses';
import { completing, type Surroundings } from './completion';
import { lineBreaksOf, toFileEdits, type LineBreaks } from './crlf';
import { diagnosticsOf, type Mend } from './findings';
import type { LineSight } from './lineSight';
import { languageFor, look } from './look';
import { hint, lit } from './marks';

/** After this long without a key the typed text is written; ms. */
const PAUSE = 350;
/** The pointer rests as long before what it is over is looked up; ms. */
const REST = 60;

const external = Annotation.define<boolean>();
const readOnlyPart = new Compartment();

/** What is selected, in offsets of the file, and the end of it where the cursor is. */
export interface Selected extends Range {
  head: number;
}

interface Props {
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

export function SourceEditor(props: Props) {
  const { path, text, readOnly, findings } = props;
  const home = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | null>(null);
  const latest = useRef(props);
  /** What the file held when the editor last agreed with it, and how its line breaks are counted. */
  const base = useRef<{ text: string; breaks: LineBreaks } | null>(null);
  useEffect(() => {
    latest.current = props;
  });

  useEffect(() => {
    const parent = home.current;
    if (!parent) return undefined;
    base.current = baseOf(latest.current.text);
    let pending: ChangeSet | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let resting: ReturnType<typeof setTimeout> | undefined;
    const flush = () => {
      clearTimeout(timer);
      if (!pending) return;
      const changes: { from: number; to: number; text: string }[] = [];
      pending.iterChanges((from, to, _fromB, _toB, inserted) => changes.push({ from, to, text: inserted.toString() }));
      pending = null;
      const before = known(base.current, 'text that is edited');
      const edits = toFileEdits(changes, before.breaks);
      const applied = applyEdits(before.text, edits);
      if (applied.ok) base.current = baseOf(applied.text);
      latest.current.onType(before.text.length, edits);
    };
    /** Once a frame, however much has moved. */
    let asked = 0;
    const geometry = () => {
      asked ||= requestAnimationFrame(tellSight);
    };
    const tellSight = () => {
      asked = 0;
      const editor = view.current;
      if (!editor) return;
      const { scrollTop, clientHeight } = editor.scrollDOM;
      const lineAt = (height: number) =>
        editor.state.doc.lineAt(editor.lineBlockAtHeight(height - editor.documentPadding.top).from).number;
      latest.current.onSight({
        height: clientHeight,
        lines: { first: lineAt(scrollTop), last: lineAt(scrollTop + clientHeight) },
        middleOf: (line) => {
          const at = editor.state.doc.line(Math.min(Math.max(1, line), editor.state.doc.lines));
          const block = editor.lineBlockAt(at.from);
          return block.top + editor.documentPadding.top + block.height / 2 - scrollTop;
        },
      });
    };
    const step = (way: 'undo' | 'redo') => () => {
      flush();
      latest.current.onUndo(way);
      return true;
    };
    /** Offsets of the text as it was last written; between two writings they are a little behind. */
    const toFile = (offset: number) => known(base.current, 'text that is edited').breaks.toFile(offset);
    const follow = (editor: EditorView, offset: number): boolean => {
      const line = editor.state.doc.lineAt(offset);
      const address = addressAt(line.text, offset - line.from);
      if (address) latest.current.onFollow(address.text);
      return address !== null;
    };
    const linkHere = (editor: EditorView): boolean => {
      flush();
      const { from, to } = editor.state.selection.main;
      latest.current.onLink({ start: toFile(from), end: toFile(to) });
      return true;
    };
    // One and the same list: a new one would begin every completion anew.
    const sources = [{ autocomplete: completing(() => latest.current.surroundings) }];
    const nonce = pageNonce();
    view.current = new EditorView({
      parent,
      state: EditorState.create({
        doc: latest.current.text,
        extensions: [
          ...(nonce ? [EditorView.cspNonce.of(nonce)] : []),
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
          EditorView.updateListener.of((update) => {
            if (update.geometryChanged || update.docChanged) geometry();
            const typed = update.docChanged && !update.transactions.some((one) => one.annotation(external));
            if (typed) {
              pending = pending ? pending.compose(update.changes) : update.changes;
              clearTimeout(timer);
              timer = setTimeout(flush, PAUSE);
            }
            // While somebody types, only when what was typed is written: what is at the cursor is looked up in that.
            if (!typed && (update.selectionSet || update.focusChanged))
              tellCursor(update.view, base.current, latest.current.onCursor);
          }),
          EditorView.domEventHandlers({
            scroll: geometry,
            blur: () => flush(),
            mousemove: (event, editor) => {
              clearTimeout(resting);
              resting = setTimeout(() => {
                const offset = editor.posAtCoords({ x: event.clientX, y: event.clientY });
                latest.current.onHover(offset === null ? null : toFile(offset));
              }, REST);
            },
            mouseleave: () => {
              clearTimeout(resting);
              latest.current.onHover(null);
            },
            // Files are taken into the site by what is around; the editor would write their text.
            drop: (event) => (event.dataTransfer?.files.length ?? 0) > 0,
            mousedown: (event, editor) => {
              const offset =
                event.ctrlKey || event.metaKey ? editor.posAtCoords({ x: event.clientX, y: event.clientY }) : null;
              return offset !== null && follow(editor, offset);
            },
          }),
        ],
      }),
    });
    geometry();
    const resized = new ResizeObserver(geometry);
    resized.observe(parent);
    return () => {
      flush();
      clearTimeout(resting);
      resized.disconnect();
      view.current?.destroy();
      view.current = null;
    };
  }, [path]);

  useEffect(() => {
    view.current?.dispatch({ effects: readOnlyPart.reconfigure(EditorState.readOnly.of(readOnly)) });
  }, [readOnly]);

  useEffect(() => {
    const editor = view.current;
    if (!editor) return;
    if (text === base.current?.text) {
      tellCursor(editor, base.current, latest.current.onCursor);
      return;
    }
    // Somebody else changed the file: take in the difference and leave the rest, the cursor and the scroll alone.
    base.current = baseOf(text);
    const edits = smallestEdit(editor.state.doc.toString(), text.replaceAll('\r\n', '\n'));
    if (edits.length > 0)
      editor.dispatch({
        changes: edits.map((edit) => ({ from: edit.start, to: edit.end, insert: edit.text })),
        annotations: external.of(true),
      });
  }, [text]);

  useEffect(() => {
    const editor = view.current;
    if (editor && base.current)
      editor.dispatch(
        setDiagnostics(
          editor.state,
          diagnosticsOf(findings, path, editor.state.doc.length, base.current.breaks, (...mended) =>
            latest.current.onMend(...mended),
          ),
        ),
      );
  }, [findings, path]);

  const { start: from, end: to } = props.lit ?? {};
  useEffect(() => {
    const editor = view.current;
    if (!editor) return;
    const range = spanIn(editor, base.current, from, to);
    editor.dispatch({
      effects: [
        lit.set.of(range),
        ...(range === null || editor.hasFocus ? [] : [EditorView.scrollIntoView(range.from, { y: 'center' })]),
      ],
    });
  }, [from, to, path, text]);

  const { start: hintFrom, end: hintTo } = props.hinted ?? {};
  useEffect(() => {
    const editor = view.current;
    editor?.dispatch({ effects: hint.set.of(spanIn(editor, base.current, hintFrom, hintTo)) });
  }, [hintFrom, hintTo, path]);

  const { spot } = props;
  useEffect(() => {
    const editor = view.current;
    const range = editor && spot ? spanIn(editor, base.current, spot.start, spot.end) : null;
    if (!editor || !range) return;
    editor.focus();
    editor.dispatch({
      selection: { anchor: range.from },
      effects: EditorView.scrollIntoView(range.from, { y: 'center' }),
    });
  }, [spot, path]);

  return <Box ref={home} sx={{ height: '100%', minWidth: 0, '& .cm-editor': { height: '100%' } }} />;
}

function tellCursor(
  editor: EditorView,
  base: { breaks: LineBreaks } | null,
  onCursor: (selection: Selected) => void,
): void {
  if (!editor.hasFocus || !base) return;
  const { from, to, head } = editor.state.selection.main;
  onCursor({ start: base.breaks.toFile(from), end: base.breaks.toFile(to), head: base.breaks.toFile(head) });
}

const baseOf = (text: string) => ({ text, breaks: lineBreaksOf(text) });

function spanIn(
  editor: EditorView,
  base: { breaks: LineBreaks } | null,
  start: number | undefined,
  end: number | undefined,
): { from: number; to: number } | null {
  if (!base || start === undefined || end === undefined) return null;
  const { length } = editor.state.doc;
  return { from: Math.min(base.breaks.toEditor(start), length), to: Math.min(base.breaks.toEditor(end), length) };
}
