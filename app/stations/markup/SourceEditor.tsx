/** The author's source in CodeMirror. What is typed becomes edits of the file; what changes elsewhere comes in as the smallest change. */
import { defaultKeymap, indentWithTab, insertNewlineKeepIndent } from '@codemirror/commands';
import { css } from '@codemirror/lang-css';
import { html } from '@codemirror/lang-html';
import { javascript } from '@codemirror/lang-javascript';
import { HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import { searchKeymap } from '@codemirror/search';
import { Annotation, type ChangeSet, Compartment, EditorState, Prec, StateEffect, StateField, type Extension } from '@codemirror/state';
import { Decoration, drawSelection, EditorView, highlightActiveLine, keymap, lineNumbers, type DecorationSet } from '@codemirror/view';
import { tags } from '@lezer/highlight';
import Box from '@mui/material/Box';
import { useEffect, useRef } from 'react';
import { applyEdits, smallestEdit, type Edit } from '~core/site/index.ts';
import { pageNonce } from '../../ui/emotion';
import { ink, MONO } from '../../ui/theme';
import { lineBreaksOf, toFileEdits } from './crlf';

/** After this long without a key the typed text is written; ms. */
const PAUSE = 350;

const external = Annotation.define<boolean>();
const lit = StateEffect.define<{ from: number; to: number } | null>();

const litLines = StateField.define<DecorationSet>({
  create: () => Decoration.none,
  update(marks, transaction) {
    let next = marks.map(transaction.changes);
    for (const effect of transaction.effects) {
      if (!effect.is(lit)) continue;
      const range = effect.value;
      if (!range) next = Decoration.none;
      else {
        const { doc } = transaction.state;
        const lines = [];
        for (let at = doc.lineAt(Math.min(range.from, doc.length)); ; at = doc.line(at.number + 1)) {
          lines.push(Decoration.line({ class: 'hm-lit' }).range(at.from));
          if (at.to >= range.to || at.number === doc.lines) break;
        }
        next = Decoration.set(lines);
      }
    }
    return next;
  },
  provide: (field) => EditorView.decorations.from(field),
});

const look = EditorView.theme({
  '&': { height: '100%', fontSize: '12.5px', backgroundColor: ink('paper'), color: ink('peat') },
  '&.cm-focused': { outline: `2px solid ${ink('heather')}`, outlineOffset: '-2px' },
  '.cm-scroller': { fontFamily: MONO, lineHeight: '20px' },
  '.cm-gutters': { backgroundColor: ink('paper'), color: ink('stone'), border: 'none' },
  '.cm-activeLine, .cm-activeLineGutter': { backgroundColor: 'transparent' },
  '&.cm-focused .cm-activeLine': { backgroundColor: ink('mist') },
  '.hm-lit, &.cm-focused .hm-lit.cm-activeLine': { backgroundColor: ink('heatherWash') },
  '.cm-cursor': { borderLeftColor: ink('peat') },
  '&.cm-focused .cm-selectionBackground, .cm-selectionBackground': { backgroundColor: `${ink('heatherWash')} !important` },
  '.cm-panels': { backgroundColor: ink('mist'), color: ink('peat') },
});

const colours = HighlightStyle.define([
  { tag: [tags.tagName, tags.keyword, tags.angleBracket], color: ink('heather') },
  { tag: [tags.attributeName, tags.propertyName], color: ink('lichen') },
  { tag: [tags.attributeValue, tags.string], color: ink('gorse') },
  { tag: [tags.comment, tags.meta], color: ink('stone'), fontStyle: 'italic' },
  { tag: [tags.number, tags.color, tags.unit], color: ink('rust') },
]);

const languageFor = (path: string): Extension => (/\.css$/i.test(path) ? css() : /\.m?js$/i.test(path) ? javascript() : html({ autoCloseTags: false }));

export interface LineGeometry {
  /** Middle of a line in the editor's visible box; CSS px. */
  middleOf: (line: number) => number;
  height: number;
}

interface Props {
  path: string;
  text: string;
  readOnly: boolean;
  /** The lines to light; file offsets. */
  lit: { start: number; end: number } | null;
  /** `length` is that of the text before, in file characters. */
  onType: (length: number, edits: Edit[]) => void;
  onCursor: (offset: number) => void;
  onGeometry: (geometry: LineGeometry) => void;
  onUndo: (way: 'undo' | 'redo') => void;
}

export function SourceEditor(props: Props) {
  const { path, text, readOnly } = props;
  const home = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | null>(null);
  const latest = useRef(props);
  /** What the file held when the editor last agreed with it. */
  const base = useRef(text);
  useEffect(() => {
    latest.current = props;
  });

  useEffect(() => {
    const parent = home.current;
    if (!parent) return undefined;
    base.current = latest.current.text;
    let pending: ChangeSet | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const flush = () => {
      clearTimeout(timer);
      if (!pending) return;
      const changes: { from: number; to: number; text: string }[] = [];
      pending.iterChanges((from, to, _fromB, _toB, inserted) => changes.push({ from, to, text: inserted.toString() }));
      pending = null;
      const before = base.current;
      const edits = toFileEdits(changes, lineBreaksOf(before));
      const applied = applyEdits(before, edits);
      if (applied.ok) base.current = applied.text;
      latest.current.onType(before.length, edits);
    };
    const geometry = () => {
      const editor = view.current;
      if (!editor) return;
      latest.current.onGeometry({
        height: editor.scrollDOM.clientHeight,
        middleOf: (line) => {
          const at = editor.state.doc.line(Math.min(Math.max(1, line), editor.state.doc.lines));
          const block = editor.lineBlockAt(at.from);
          return block.top + editor.documentPadding.top + block.height / 2 - editor.scrollDOM.scrollTop;
        },
      });
    };
    const step = (way: 'undo' | 'redo') => () => {
      flush();
      latest.current.onUndo(way);
      return true;
    };
    const nonce = pageNonce();
    view.current = new EditorView({
      parent,
      state: EditorState.create({
        doc: latest.current.text,
        extensions: [
          ...(nonce ? [EditorView.cspNonce.of(nonce)] : []),
          lineNumbers(),
          drawSelection(),
          highlightActiveLine(),
          EditorView.lineWrapping,
          litLines,
          look,
          syntaxHighlighting(colours),
          languageFor(path),
          readOnlyPart.of(EditorState.readOnly.of(latest.current.readOnly)),
          EditorView.contentAttributes.of({ 'aria-label': `Source of ${path}`, tabindex: '0' }),
          // Undo is the site's, across all files; the editor keeps none of its own.
          Prec.high(keymap.of([{ key: 'Mod-z', run: step('undo'), preventDefault: true }, { key: 'Mod-y', run: step('redo'), preventDefault: true }, { key: 'Mod-Shift-z', run: step('redo'), preventDefault: true }, { key: 'Escape', run: (editor) => (editor.contentDOM.blur(), true) }])),
          // A new line begins like the one before it; no tag is closed and no line indented by a rule of the editor's.
          keymap.of([{ key: 'Enter', run: insertNewlineKeepIndent }, ...searchKeymap, ...defaultKeymap, indentWithTab]),
          EditorView.updateListener.of((update) => {
            if (update.geometryChanged || update.docChanged) requestAnimationFrame(geometry);
            const typed = update.docChanged && !update.transactions.some((one) => one.annotation(external));
            if (typed) {
              pending = pending ? pending.compose(update.changes) : update.changes;
              clearTimeout(timer);
              timer = setTimeout(flush, PAUSE);
            }
            if (update.selectionSet && update.view.hasFocus) latest.current.onCursor(lineBreaksOf(base.current).toFile(update.state.selection.main.head));
          }),
          EditorView.domEventHandlers({ scroll: () => void requestAnimationFrame(geometry), blur: () => flush() }),
        ],
      }),
    });
    requestAnimationFrame(geometry);
    const resized = new ResizeObserver(geometry);
    resized.observe(parent);
    return () => {
      flush();
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
    if (!editor || text === base.current) return;
    // Somebody else changed the file: take in the difference and leave the rest, the cursor and the scroll alone.
    base.current = text;
    const edits = smallestEdit(editor.state.doc.toString(), text.replaceAll('\r\n', '\n'));
    if (edits.length > 0) editor.dispatch({ changes: edits.map((edit) => ({ from: edit.start, to: edit.end, insert: edit.text })), annotations: external.of(true) });
  }, [text]);

  const from = props.lit?.start;
  const to = props.lit?.end;
  useEffect(() => {
    const editor = view.current;
    if (!editor) return;
    if (from === undefined || to === undefined) {
      editor.dispatch({ effects: lit.of(null) });
      return;
    }
    const breaks = lineBreaksOf(base.current);
    const range = { from: Math.min(breaks.toEditor(from), editor.state.doc.length), to: Math.min(breaks.toEditor(to), editor.state.doc.length) };
    editor.dispatch({ effects: [lit.of(range), ...(editor.hasFocus ? [] : [EditorView.scrollIntoView(range.from, { y: 'center' })])] });
  }, [from, to, path, text]);

  return <Box ref={home} sx={{ height: '100%', minWidth: 0, '& .cm-editor': { height: '100%' } }} />;
}

const readOnlyPart = new Compartment();
