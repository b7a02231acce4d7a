/** Galleries that follow a list or a folder. */
export { type Compared, compareWithList, type Following, followings, shownBy } from './followed.ts';
export { galleryList } from './galleryList.ts';
export { tableOf } from './rows.ts';
