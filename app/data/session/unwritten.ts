/** Text that was typed and does not stand in its file yet, and how it comes in when the file has changed meanwhile. */
import { applyEdits, smallestEdit, type Edit } from '~core/site/index.ts';
import type { TypingRecord } from '../store/records';

export type Unwritten = Pick<TypingRecord, 'before' | 'steps'>;

/** The text before the first step and after each. Steps that do not fit into their text end it: nobody knows where. */
export function textsOf({ before, steps }: Unwritten): string[] {
  const texts = [before];
  for (const step of steps) {
    const applied = applyEdits(texts.at(-1) ?? before, step);
    if (!applied.ok) break;
    texts.push(applied.text);
  }
  return texts;
}

/** What is left of it for a file that holds `now`: nothing of the steps that it has already. */
export function leftFor(unwritten: Unwritten, now: string): Unwritten {
  const done = textsOf(unwritten).lastIndexOf(now);
  return done < 0 ? unwritten : { before: now, steps: unwritten.steps.slice(done) };
}

/**
 * The steps as edits of `now`. What changed meanwhile stays; what was typed stands where its place has moved to
 * (operational transformation as CodeMirror has it: https://codemirror.net/docs/ref/#state.ChangeDesc.mapDesc).
 */
export async function editsFor(unwritten: Unwritten, now: string): Promise<Edit[]> {
  const { before, steps } = unwritten;
  if (steps.length === 1 && before === now) return steps[0] ?? [];
  const { ChangeSet, Text } = await import('@codemirror/state');
  const texts = textsOf(unwritten);
  /** One line, whatever breaks it holds: places count every character of the file. */
  const changes = (edits: readonly Edit[], length: number) =>
    ChangeSet.of(
      edits.map(({ start, end, text }) => ({ from: start, to: end, insert: Text.of([text]) })),
      length,
    );
  const typed = texts
    .slice(0, -1)
    .map((text, n) => changes(steps[n] ?? [], text.length))
    .reduce((whole, step) => whole.compose(step), ChangeSet.empty(before.length));
  const edits: Edit[] = [];
  typed
    .map(changes(smallestEdit(before, now), before.length))
    .iterChanges((start, end, _from, _to, text) => edits.push({ start, end, text: text.toString() }));
  return edits;
}
