export { pageStandingAlone, picturesShownBy } from './alone.ts';
export { type IncludeView } from './includes.ts';
export { type Foretold, type KitView, predictionsOn } from './kits.ts';
export { type LookView, type OptionView, viewerOptions, viewersOn, type ViewerView } from './options.ts';
export { type LayoutView, layoutView, type SettingView } from './layout.ts';
export { type FileView, type FindingView, type FixView, type SiteView, viewOf } from './siteView.ts';
export { type PairView } from './pairs.ts';
export { type GalleryView, laidOutWidth, type OddView, type PageView } from './pages.ts';
export { type EntryState, type MenuView } from './menusView.ts';
