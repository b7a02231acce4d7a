/** A field whose text is meant only by Enter or by leaving it. */
import { useState } from 'react';

interface Typed {
  text: string;
  type: (text: string) => void;
  /**
   * What is typed is meant now: the text where it differs from the value, else null. What is on its way already is
   * meant once, unless it is asked for `again`: after Enter the field is left, too.
   */
  mean: (again?: boolean) => string | null;
  /** Back to the value. */
  forget: () => void;
}

interface Draft {
  text: string;
  /** The value that it is meant to take the place of; null as long as it is only typed. */
  over: string | null;
}

/**
 * What is being typed stays, whatever comes from the site meanwhile: the outcome of the last change may arrive while
 * the next is written. What was meant stays until the value has changed, and for good where it was refused.
 */
export function useTyped(value: string): Typed {
  const [draft, setDraft] = useState<Draft | null>(null);
  const stays = draft !== null && (draft.over === null || draft.over === value);
  const text = stays ? draft.text : value;
  return {
    text,
    type: (next) => setDraft({ text: next, over: null }),
    mean: (again = false) => {
      setDraft(text === value ? null : { text, over: value });
      const isOnItsWay = stays && draft.over === value;
      return text === value || (isOnItsWay && !again) ? null : text;
    },
    forget: () => setDraft(null),
  };
}
