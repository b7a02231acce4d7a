import { backButton } from './backButton.ts';
import { blurred } from './blurred.ts';
import { buttons } from './buttons.ts';
import { covered } from './covered.ts';
import { cutOff } from './cutOff.ts';
import { differs } from './differs.ts';
import { focus } from './focus.ts';
import { hidden } from './hidden.ts';
import { small } from './small.ts';
import { swipe } from './swipe.ts';
import { words } from './clippedWords.ts';
import type { Scene, Sight, SightRule } from './sight.ts';

export const SIGHT_RULES: readonly SightRule[] = [
  differs,
  blurred,
  cutOff,
  small,
  covered,
  hidden,
  words,
  buttons,
  focus,
  backButton,
  swipe,
];

/** All that is to be said of what was seen of one picture in one window; empty where it is as expected and well. */
export const sightsOf = (scene: Scene): Sight[] =>
  SIGHT_RULES.flatMap((rule) => rule.see(scene).map((sight) => ({ rule: rule.id, ...sight })));
