/**
 * The author's source in CodeMirror. What is typed becomes edits of the file; what changes elsewhere comes in as the
 * smallest change.
 */
import { setDiagnostics } from '@codemirror/lint';
import { EditorState } from '@codemirror/state';
import { EditorView } from '@codemirror/view';
import Box from '@mui/material/Box';
import { useEffect, useRef, type RefObject } from 'react';
import { diagnosticsOf } from './findings';
import { hint, lit } from './marks';
import { baseOf, openEditor, readOnlyPart, tellCursor, type Base, type EditorProps } from './openEditor';

export function SourceEditor(props: EditorProps) {
  const { path, text, readOnly, findings } = props;
  const home = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | null>(null);
  const takeIn = useRef<((text: string) => void) | null>(null);
  const latest = useRef(props);
  /** What the file held when the editor last agreed with it, and how its line breaks are counted. */
  const base = useRef<Base | null>(null);
  useEffect(() => {
    latest.current = props;
  });

  useEffect(() => {
    const parent = home.current;
    if (!parent) return undefined;
    base.current = baseOf(latest.current.unwritten() ?? latest.current.text);
    const opened = openEditor(parent, path, latest, base);
    view.current = opened.view;
    takeIn.current = opened.takeIn;
    return () => {
      opened.close();
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
    // Somebody else changed the file, or what was typed came in beside a change of theirs. While some of it waits to
    // be written, the file is behind the editor; when it is, this comes again.
    if (latest.current.unwritten() === null) takeIn.current?.(text);
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

  useMarks(view, base, props);
  return <Box ref={home} sx={{ height: '100%', minWidth: 0, '& .cm-editor': { height: '100%' } }} />;
}

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
): void {
  const { start: from, end: to } = lines ?? {};
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
  }, [view, base, from, to, path, text]);

  const { start: hintFrom, end: hintTo } = hinted ?? {};
  useEffect(() => {
    const editor = view.current;
    editor?.dispatch({ effects: hint.set.of(spanIn(editor, base.current, hintFrom, hintTo)) });
  }, [view, base, hintFrom, hintTo, path]);

  useEffect(() => {
    const editor = view.current;
    const range = editor && spot ? spanIn(editor, base.current, spot.start, spot.end) : null;
    if (!editor || !range) return;
    editor.focus();
    editor.dispatch({
      selection: { anchor: range.from },
      effects: EditorView.scrollIntoView(range.from, { y: 'center' }),
    });
  }, [view, base, spot, path]);
}
