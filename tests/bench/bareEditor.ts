/** The editor component alone, as anybody would set it up for HTML. Put together by `typing.ts`; runs in the page. */
import { defaultKeymap, history } from '@codemirror/commands';
import { html } from '@codemirror/lang-html';
import { EditorState } from '@codemirror/state';
import { drawSelection, EditorView, highlightActiveLine, keymap, lineNumbers } from '@codemirror/view';
import { defaultHighlightStyle, syntaxHighlighting } from '@codemirror/language';

declare global {
  interface Window {
    openBare: (doc: string, at: number) => void;
  }
}

window.openBare = (doc, at) => {
  const view = new EditorView({
    parent: document.body,
    state: EditorState.create({
      doc,
      selection: { anchor: at },
      extensions: [
        lineNumbers(),
        history(),
        drawSelection(),
        highlightActiveLine(),
        EditorView.lineWrapping,
        syntaxHighlighting(defaultHighlightStyle),
        html(),
        keymap.of(defaultKeymap),
        EditorView.theme({ '&': { width: '600px', height: '600px', fontSize: '12.5px' } }),
      ],
    }),
  });
  view.focus();
};
