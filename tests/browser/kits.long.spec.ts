/** Every kit through the wiring station; in the model and in live pages `rehearsal.spec.ts` has all of them each time. */
import { KITS } from '../kits';
import { test } from './fixtures';
import { wiresAndRehearses } from './wiringSteps';

for (const { manifest } of KITS) {
  test(`a page is wired with ${manifest.title}, and a rehearsal agrees on every strand`, async ({ page }) => {
    await wiresAndRehearses(page, manifest);
  });
}
