/** Checks pages against the HTML standard, away from the main thread. */
import * as Comlink from 'comlink';
import { HtmlValidate, StaticConfigLoader } from 'html-validate/browser';
import type { ValidityMessage } from '~core/checks/index.ts';

/** Only what the standard says; matters of taste are the author's. */
export const VALIDITY_CONFIG = { root: true, extends: ['html-validate:standard'] };

const checker = new HtmlValidate(new StaticConfigLoader(VALIDITY_CONFIG));

/** By the text of the page: most pages stay as they are from one look to the next. */
const known = new Map<string, readonly ValidityMessage[]>();
/** More would hold texts that nobody has any more. */
const MOST_KNOWN = 2000;

const ERROR = 2;

async function check(text: string): Promise<readonly ValidityMessage[]> {
  const { results } = await checker.validateString(text, 'page.html');
  return results
    .flatMap(({ messages }) => messages)
    .map(({ ruleId, message, severity, line, column, offset }): ValidityMessage => ({
      rule: ruleId,
      says: message,
      severity: severity === ERROR ? 'error' : 'warning',
      line,
      column,
      start: offset,
    }));
}

const validity = {
  /** What is to be said of each text, in their order. */
  async check(texts: string[]): Promise<(readonly ValidityMessage[])[]> {
    const all: (readonly ValidityMessage[])[] = [];
    for (const text of texts) {
      const messages = known.get(text) ?? (await check(text));
      if (known.size >= MOST_KNOWN) known.clear();
      known.set(text, messages);
      all.push(messages);
    }
    return all;
  },
};

export type ValidityWorker = typeof validity;
Comlink.expose(validity);
