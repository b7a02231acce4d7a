/** Galleries that follow a list or a folder. */
export { type Compared, compareWithList, type Compares, type Following, followings, shownBy } from './followed.ts';
export { galleryList } from './galleryList.ts';
export { listedBy, tableOf } from './rows.ts';
