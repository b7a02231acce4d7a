/** Groups of pictures among the words of a page. */
export { type Group, groupsOf, rangeOf } from './groups.ts';
export { type Hand, handOf, hasAddresses, holderOf, itemInHand, writes } from './hand.ts';
export { isLarge, MOST_COLUMNS, opens, PRESENTATIONS, type Presentation, type Shown } from './presentation.ts';
export { rulesFor } from './styles.ts';
export { groupText, INSIDE, itemText, reshaped, type Sizes } from './writeGroup.ts';
