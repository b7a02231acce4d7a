/** Groups of pictures among the words of a page. */
export { type Group, groupsOf, rangeOf } from './groups.ts';
export { isLarge, MOST_COLUMNS, opens, PRESENTATIONS, type Presentation, type Shown } from './presentation.ts';
export { rulesFor } from './styles.ts';
export { groupText, itemText, reshaped, type Sizes } from './writeGroup.ts';
