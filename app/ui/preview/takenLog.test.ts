import { expect, it } from 'vitest';
import { TakenLog } from './takenLog';

it('tells of every batch, though several were taken before anybody looked', () => {
  const log = new TakenLog();
  log.sent(['index.html', 'style.css']);
  log.taken();
  log.sent(['index.html']);
  log.sent(['style.css']);
  log.taken();
  log.taken();
  expect(log.count).toBe(3);
  expect(log.since(1)).toEqual(['index.html', 'style.css']);
  expect(log.since(3)).toEqual([]);
});

it('tells of a batch only once the bridge has it', () => {
  const log = new TakenLog();
  log.sent(['a.html']);
  log.sent(['b.html']);
  log.taken();
  expect(log.since(0)).toEqual(['a.html']);
  log.taken();
  expect(log.since(1)).toEqual(['b.html']);
  log.sent(['c.html']);
  log.lost();
  log.sent(['d.html']);
  log.taken();
  expect(log.since(2)).toEqual(['d.html']);
  log.clear();
  expect([log.count, log.since(0)]).toEqual([0, []]);
});
