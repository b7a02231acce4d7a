import { describe, expect, it } from 'vitest';
import { onPaper } from '../../preview/printing';

describe('a media query on paper', () => {
  it.each([
    ['', ''],
    ['print', 'all'],
    ['only print and (min-width: 10cm)', 'only all and (min-width: 10cm)'],
    ['not print', 'not all'],
    ['screen', 'not all'],
    ['screen, print', 'not all, all'],
    ['only screen and (max-width: 600px)', 'not all and (max-width: 600px)'],
    ['(min-width: 600px)', '(min-width: 600px)'],
    ['all', 'all'],
  ])('%s', (media, printed) => {
    expect(onPaper(media)).toBe(printed);
  });
});
