/** Lines that are lit: those of the chosen element, and those of what somebody points at on the live page. */
import { StateEffect, StateField, type EditorState, type Range } from '@codemirror/state';
import { Decoration, EditorView, type DecorationSet } from '@codemirror/view';

interface Span {
  from: number;
  to: number;
}

/** A range of lines with a class, set by an effect and carried along with the text. */
function lineMark(name: string): {
  set: ReturnType<typeof StateEffect.define<Span | null>>;
  field: StateField<DecorationSet>;
} {
  const set = StateEffect.define<Span | null>();
  const line = Decoration.line({ class: name });
  const linesOf = ({ doc }: EditorState, { from, to }: Span): DecorationSet => {
    const lines: Range<Decoration>[] = [];
    for (let at = doc.lineAt(Math.min(from, doc.length)); ; at = doc.line(at.number + 1)) {
      lines.push(line.range(at.from));
      if (at.to >= to || at.number === doc.lines) return Decoration.set(lines);
    }
  };
  const field = StateField.define<DecorationSet>({
    create: () => Decoration.none,
    update(marks, transaction) {
      let next = marks.map(transaction.changes);
      for (const effect of transaction.effects)
        if (effect.is(set)) next = effect.value ? linesOf(transaction.state, effect.value) : Decoration.none;
      return next;
    },
    provide: (own) => EditorView.decorations.from(own),
  });
  return { set, field };
}

export const lit = lineMark('hm-lit');
export const hint = lineMark('hm-hint');
