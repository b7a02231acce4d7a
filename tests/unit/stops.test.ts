/** The store stopped at every point where it writes; `npm run test:robust` tries more than this. */
import { expect, it } from 'vitest';
import { stops } from '../robust/stops.ts';

it('holds all of it or none after a stop at any point where the store writes', async () => {
  const [row] = await stops.run(0);
  expect(row?.tried).toBeGreaterThan(30);
  expect(row).toMatchObject({ wrong: 0, note: '' });
});
