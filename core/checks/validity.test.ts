import { describe, expect, it } from 'vitest';
import { mostOf, withNews, type ValidityMessage } from './validity.ts';

const message = (rule: string, line: number): ValidityMessage => ({
  rule,
  says: `about ${rule}`,
  severity: 'error',
  line,
  column: 1,
  start: line * 10,
});
const news = (now: readonly ValidityMessage[], before: readonly ValidityMessage[]) =>
  withNews(now, before).map(({ rule, line, isNew }) => `${rule} ${line}${isNew ? ' new' : ''}`);

describe('what a checker says', () => {
  it('is not new where it stood on another line', () =>
    expect(news([message('a', 9)], [message('a', 3)])).toEqual(['a 9']));

  it('is new where the page has more of the same, or something else', () => {
    const now = [message('a', 1), message('b', 2), message('a', 5)];
    expect(news(now, [message('a', 1)])).toEqual(['a 1', 'b 2 new', 'a 5 new']);
  });

  it('of a page that was not there is held against what any page had', () => {
    const before = mostOf([[message('a', 1)], [message('a', 2), message('a', 3), message('b', 4)], []]);
    expect(news([message('a', 1), message('a', 2), message('a', 3), message('b', 4)], before)).toEqual([
      'a 1',
      'a 2',
      'a 3 new',
      'b 4',
    ]);
  });
});
