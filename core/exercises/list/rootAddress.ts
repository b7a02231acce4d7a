import type { Exercise } from '../exercise.ts';

export const rootAddress: Exercise = {
  id: 'root-address',
  title: 'It fails when opened from disk',
  complaint: 'I have opened your folder from a stick. The pictures are there, but the lightbox does not come.',
  viewer: 'lightbox',
  rule: 'root-address',
  plant: (page) => page.replace('src="viewer/', 'src="/viewer/'),
  hints: [
    'All four strands are broken at the same step: look at what the page loads.',
    'Compare the addresses of the lightbox’s stylesheet and of its script.',
    'An address that begins with a slash begins at the root of the host, or of the disk. Leave the slash out.',
  ],
  tries: [
    {
      isIn: (page) => page.includes('src="../viewer/'),
      says: 'Two dots lead out of the folder that the page is in. The folder viewer is beside the page.',
    },
    {
      isIn: (page) => page.includes('href="/viewer/'),
      says: 'Now the stylesheet begins at the root too. Neither address may begin with a slash.',
    },
  ],
};
