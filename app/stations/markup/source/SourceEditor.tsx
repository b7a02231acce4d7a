/**
 * The author's source in CodeMirror. What is typed becomes edits of the file; what changes elsewhere comes in as the
 * smallest change.
 */
import { setDiagnostics } from '@codemirror/lint';
import { EditorState } from '@codemirror/state';
import { EditorView } from '@codemirror/view';
import Box from '@mui/material/Box';
import { useEffect, useRef, useState, type KeyboardEvent, type RefObject } from 'react';
import { QUIET } from '../../../ui/shell/keys';
import { color } from '../../../ui/theme';
import { diagnosticsOf } from './findings';
import { hint, lit } from './marks';
import { baseOf, openEditor, readOnlyPart, tellCursor, type Base, type EditorProps } from './openEditor';

export function SourceEditor(props: EditorProps) {
  const { path, text, readOnly, findings } = props;
  const home = useRef<HTMLDivElement>(null);
  const ahead = useRef<HTMLSpanElement>(null);
  const view = useRef<EditorView | null>(null);
  const open = useRef<ReturnType<typeof openEditor> | null>(null);
  const latest = useRef(props);
  /** What the file held when the editor last agreed with it, and how its line breaks are counted. */
  const base = useRef<Base | null>(null);
  useEffect(() => {
    latest.current = props;
  });

  const [opened, setOpened] = useState(0);
  useEffect(() => {
    const parent = home.current;
    if (!parent) return undefined;
    let close: () => void = () => undefined;
    // A task of its own: what is around it has just been drawn, and both together would hold up the screen.
    const soon = setTimeout(() => {
      base.current = baseOf(latest.current.unwritten() ?? latest.current.text);
      const editor = openEditor(parent, path, latest, base);
      view.current = editor.view;
      open.current = editor;
      close = editor.close;
      setOpened((n) => n + 1);
    });
    return () => {
      clearTimeout(soon);
      close();
      view.current = null;
    };
  }, [path]);

  useEffect(() => {
    const editor = view.current;
    if (editor && editor.state.readOnly !== readOnly)
      editor.dispatch({ effects: readOnlyPart.reconfigure(EditorState.readOnly.of(readOnly)) });
  }, [readOnly, opened]);

  useEffect(() => {
    const editor = view.current;
    if (!editor) return;
    if (text === base.current?.text) {
      tellCursor(editor, base.current, latest.current.onCursor);
      return;
    }
    // Somebody else changed the file, or what was typed came in beside a change of theirs. While some of it waits to
    // be written, the file is behind the editor; when it is, this comes again.
    if (latest.current.unwritten() === null) open.current?.adopt(text);
  }, [text, opened]);

  useEffect(() => {
    const editor = view.current;
    open.current?.refreshed();
    if (editor && base.current)
      editor.dispatch(
        setDiagnostics(
          editor.state,
          diagnosticsOf(findings, path, editor.state.doc.length, base.current.breaks, (...mended) =>
            latest.current.onMend(...mended),
          ),
        ),
      );
  }, [findings, path, opened]);

  useMarks(view, base, props, opened);
  return (
    <>
      <span ref={ahead} tabIndex={-1} />
      <Box ref={home} sx={{ height: '100%', minWidth: 0, '& .cm-editor': { height: '100%' } }} />
      <Box tabIndex={-1} role="note" {...QUIET} sx={BEHIND} onKeyDown={(event) => leaveBy(event, ahead, view)}>
        Editor left. Tab goes on, Shift+Tab back; Enter returns to the source.
      </Box>
    </>
  );
}

/**
 * From the quiet place behind the editor, back to what stands before it: the browser goes on from where the focus is
 * when the key has been told. Without that, Shift+Tab would lead into the editor, where it takes indentation away.
 */
function leaveBy(event: KeyboardEvent, ahead: RefObject<HTMLElement | null>, view: RefObject<EditorView | null>): void {
  if (event.key === 'Tab' && event.shiftKey) ahead.current?.focus();
  if (event.key !== 'Enter') return;
  event.preventDefault();
  view.current?.focus();
}

/** Seen only while it has the focus. */
const BEHIND = {
  position: 'absolute',
  bottom: 0,
  right: 0,
  zIndex: 3,
  px: 1,
  py: 0.25,
  fontSize: '0.75rem',
  bgcolor: color('paper'),
  color: color('stone'),
  '&:not(:focus)': { clipPath: 'inset(50%)', pointerEvents: 'none' },
} as const;

function spanIn(
  editor: EditorView,
  base: Base | null,
  start: number | undefined,
  end: number | undefined,
): { from: number; to: number } | null {
  if (!base || start === undefined || end === undefined) return null;
  const { length } = editor.state.doc;
  return { from: Math.min(base.breaks.toEditor(start), length), to: Math.min(base.breaks.toEditor(end), length) };
}

/** Lights lines, hints at lines, and goes to a place, as they are told. */
function useMarks(
  view: RefObject<EditorView | null>,
  base: RefObject<Base | null>,
  { path, text, lit: lines, hinted, spot }: EditorProps,
  /** Another number where another editor is open. */
  opened: number,
): void {
  const { start: from, end: to } = lines ?? {};
  useEffect(() => {
    const editor = view.current;
    if (!editor) return;
    const range = spanIn(editor, base.current, from, to);
    if (range === null && editor.state.field(lit.field).size === 0) return;
    editor.dispatch({
      effects: [
        lit.set.of(range),
        ...(range === null || editor.hasFocus ? [] : [EditorView.scrollIntoView(range.from, { y: 'center' })]),
      ],
    });
  }, [view, base, from, to, path, text, opened]);

  const { start: hintFrom, end: hintTo } = hinted ?? {};
  useEffect(() => {
    const editor = view.current;
    if (!editor) return;
    const range = spanIn(editor, base.current, hintFrom, hintTo);
    if (range !== null || editor.state.field(hint.field).size > 0) editor.dispatch({ effects: hint.set.of(range) });
  }, [view, base, hintFrom, hintTo, path, opened]);

  useEffect(() => {
    const editor = view.current;
    const range = editor && spot ? spanIn(editor, base.current, spot.start, spot.end) : null;
    if (!editor || !range) return;
    editor.focus();
    editor.dispatch({
      selection: { anchor: range.from },
      effects: EditorView.scrollIntoView(range.from, { y: 'center' }),
    });
  }, [view, base, spot, path, opened]);
}
