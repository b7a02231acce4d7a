export { type Situation, valueFor, weightOf, winnerFor } from './cascade.ts';
export { type Box, missedBy } from './effect.ts';
export { declareAll, loading, situationOf, type StyledSite, WIDE } from './declare.ts';
export { setForPage } from './forPage.ts';
export { type Layout, layoutOf, type Method } from './layout.ts';
export { allHold, upTo } from './media.ts';
export { type Field, placeOf, type Setting, SETTINGS } from './settings/index.ts';
export { troubleWith } from './values.ts';
export { importsOf, linkedStyles, type Rule, type Stylesheet, styleLink } from './stylesheets.ts';
