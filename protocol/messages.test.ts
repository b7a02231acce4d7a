import { describe, expect, test } from 'vitest';
import { FromBridge, ToBridge } from './bridge.ts';
import { FromProbe, ToProbe } from './probe.ts';
import { FileAnswer, FileQuestion } from './worker.ts';

const token = 'a'.repeat(22);
const blob = new Blob(['body']);

describe('messages pass as they are sent', () => {
  test.each([
    [ToBridge, { type: 'open', token, outside: false, files: [['a.css', blob]] }],
    [ToBridge, { type: 'outside', allowed: false }],
    [ToBridge, { type: 'update', files: [['gone.css', null]] }],
    [FromBridge, { from: 'bridge', type: 'failed', reason: 'no worker' }],
    [FileQuestion, { type: 'file', key: 'ab', path: 'img/a.jpg' }],
    [FileAnswer, { token, blob, folder: false, outside: true, passing: false, manner: null }],
    [ToBridge, { type: 'trial', token, files: [['a.css', blob]], manner: null }],
    [
      ToBridge,
      {
        type: 'trial',
        token,
        files: [],
        manner: { line: { speed: 1600, latency: 200 }, pictures: 'late', disk: true },
      },
    ],
    [ToProbe, { type: 'weigh', whole: true }],
    [ToProbe, { type: 'as', as: 'print' }],
    [
      FromProbe,
      {
        from: 'probe',
        type: 'weighed',
        images: [{ src: 'a.jpg', top: 0, bottom: 100, width: 150 }],
        files: [{ path: 'a.jpg', start: 0, end: 200 }],
        shift: 0.01,
      },
    ],
    [FromBridge, { from: 'bridge', type: 'trial', token }],
    [ToProbe, { type: 'measure', elements: [[1, 0]] }],
    [ToProbe, { type: 'audit' }],
    [
      FromProbe,
      {
        from: 'probe',
        type: 'audited',
        path: 'index.html',
        rules: [
          { rule: 'image-alt', impact: 'critical', says: 's', nodes: [{ element: [1], html: '<img>', summary: '' }] },
        ],
      },
    ],
    [FromProbe, { from: 'probe', type: 'measured', boxes: [[0, 0, 150, 100], null] }],
    [ToProbe, { type: 'show', element: [1, 0], scroll: true, color: '#123456' }],
    [ToProbe, { type: 'point', element: null, color: '#123456' }],
    [ToProbe, { type: 'place', at: [0, 120] }],
    [FromProbe, { from: 'probe', type: 'places', tops: [12, null] }],
    [FromProbe, { from: 'probe', type: 'outside', address: 'https://fonts.example/a.css', path: 'index.html' }],
    [FromProbe, { from: 'probe', type: 'tried', what: 'dialog', says: 'Hello', path: 'index.html' }],
    [FromProbe, { from: 'probe', type: 'rehearsed', number: 3, seen: null }],
    [FromProbe, { from: 'probe', type: 'waiting', number: 3 }],
    [FromProbe, { from: 'probe', type: 'escape', taken: false }],
  ])('%#', (schema, message) => {
    expect(schema.parse(message)).toEqual(message);
  });
});

describe('what a page could forge is refused', () => {
  test.each([
    ['an unknown kind', { from: 'probe', type: 'navigate', path: 'x' }],
    ['another sender', { from: 'bridge', type: 'pong' }],
    ['more than is asked for', { from: 'probe', type: 'pong', extra: 1 }],
    ['an element that is no list of numbers', { from: 'probe', type: 'pointed', element: ['__proto__'] }],
    ['a path through thousands of elements', { from: 'probe', type: 'pointed', element: Array(201).fill(0) }],
    ['more places than any page has items', { from: 'probe', type: 'places', tops: Array(5001).fill(1) }],
    ['an error as long as a book', { from: 'probe', type: 'error', says: 'x'.repeat(4001), path: '', line: 0 }],
    ['a dialog as long as a page', { from: 'probe', type: 'tried', what: 'dialog', says: 'x'.repeat(201), path: '' }],
    ['a rehearsal that says less than it must', { from: 'probe', type: 'rehearsed', number: 1, seen: {} }],
  ])('%s', (_says, message) => {
    expect(FromProbe.safeParse(message).success).toBe(false);
  });

  test('a site without its token opens nothing', () => {
    const open = { type: 'open', token, outside: false, files: [] };
    expect(ToBridge.safeParse({ ...open, token: '' }).success).toBe(false);
    expect(ToBridge.safeParse({ ...open, files: [['a.css', 'body']] }).success).toBe(false);
    expect(ToBridge.safeParse({ ...open, outside: 'yes' }).success).toBe(false);
  });
});
