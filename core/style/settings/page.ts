/** What is around the gallery: the width of the page's column, and grounds. */
import { valueFor } from '../cascade.ts';
import { plain, declared, type Setting } from './setting.ts';

export const PAGE: readonly Setting[] = [
  {
    id: 'content-width',
    group: 'Page',
    title: 'Width of the column',
    purpose: 'width of the column',
    field: { kind: 'length' },
    read: (layout) => {
      const most = declared(layout, 'content', 'max-width');
      return most.winner ? most : declared(layout, 'content', 'width');
    },
    wishes: (layout, value) => {
      const property =
        declared(layout, 'content', 'max-width').winner || !declared(layout, 'content', 'width').winner
          ? 'max-width'
          : 'width';
      const centred = ['margin-left', 'margin-right'].every(
        (side) => valueFor(layout.situation, layout.parts.content[0], side) !== null,
      );
      return [
        { role: 'content', property, value },
        ...(value === null || centred
          ? []
          : ['margin-left', 'margin-right'].map((side) => ({
              role: 'content' as const,
              property: side,
              value: 'auto',
            }))),
      ];
    },
  },
  {
    id: 'page-ground',
    group: 'Page',
    title: 'Background of the page',
    purpose: 'background of the page',
    field: { kind: 'colour' },
    ...plain('page', 'background-color'),
  },
  {
    id: 'gallery-ground',
    group: 'Page',
    title: 'Background of the gallery',
    purpose: 'background',
    field: { kind: 'colour' },
    ...plain('container', 'background-color'),
  },
];
