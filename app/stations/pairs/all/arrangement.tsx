/** How pictures of other pages stand on a page: the parts of the forms that ask for it. */
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { COLLECTION_GROUPS, COLLECTION_ORDERS, type Collected, oneOf } from '~core/site/index.ts';
import type { SiteView } from '~core/view/index.ts';
import { galleryTargets } from '../../../ui/parts/galleryTargets';
import { type Filter, NO_PAGE } from './picked';

export const FORM = { display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1.25, mt: 1.25 };

export const ACTIONS = { display: 'flex', flexWrap: 'wrap', gap: 0.75, mt: 0.75 } as const;

const GROUP_SAYS: Readonly<Record<Collected['group'], string>> = {
  page: 'under a heading for each page',
  month: 'under a heading for each month',
  none: 'without headings',
};

const ORDER_SAYS: Readonly<Record<Collected['order'], string>> = {
  page: 'as the pages have them',
  taken: 'oldest first',
  newest: 'newest first',
  name: 'by name',
};

export function sayCollected({ pages, tag, since, until, order, group }: Collected): string {
  return [
    pages === null ? 'of all pages' : `of ${pages.join(', ')}`,
    ...(tag === null ? [] : [`tagged “${tag}”`]),
    ...(since === '' ? [] : [`from ${since}`]),
    ...(until === '' ? [] : [`until ${until}`]),
    ORDER_SAYS[order],
    GROUP_SAYS[group],
  ].join(', ');
}

/** Galleries that a new page can be written like: those of hand-written pages. */
export const modelsIn = ({ pages, collections }: Pick<SiteView, 'pages' | 'collections'>) =>
  galleryTargets(pages).flatMap((one) =>
    one.gallery === null || collections.some(({ page }) => page === one.page) ? [] : [{ ...one, gallery: one.gallery }],
  );

/** What the list shows, of whatever order. */
export const shownBy = ({ page, tag, since, until }: Filter): Omit<Collected, keyof Arranged> => ({
  pages: page === null || page === NO_PAGE ? null : [page],
  tag,
  since,
  until,
});

export type Arranged = Pick<Collected, 'group' | 'order' | 'tagLinks'>;

interface ArrangementProps {
  arranged: Arranged;
  onChange: (next: Arranged) => void;
}

export const Arrangement = ({ arranged, onChange }: ArrangementProps) => (
  <>
    <Choice
      label="Groups"
      value={arranged.group}
      options={COLLECTION_GROUPS.map((id) => ({ id, says: GROUP_SAYS[id] }))}
      onChoose={(id) => onChange({ ...arranged, group: oneOf(COLLECTION_GROUPS, id) })}
    />
    <Choice
      label="Order of pictures"
      value={arranged.order}
      options={COLLECTION_ORDERS.map((id) => ({ id, says: ORDER_SAYS[id] }))}
      onChoose={(id) => onChange({ ...arranged, order: oneOf(COLLECTION_ORDERS, id) })}
    />
    <FormControlLabel
      control={
        <Checkbox
          size="small"
          checked={arranged.tagLinks}
          onChange={({ target }) => onChange({ ...arranged, tagLinks: target.checked })}
        />
      }
      label="Links to the pages of all tags"
    />
  </>
);

interface ChoiceProps {
  label: string;
  value: string;
  options: readonly { id: string; says: string }[];
  onChoose: (id: string) => void;
}

export const Choice = ({ label, value, options, onChoose }: ChoiceProps) => (
  <TextField select label={label} value={value} onChange={({ target }) => onChoose(target.value)}>
    {options.map(({ id, says }) => (
      <MenuItem key={id} value={id}>
        {says}
      </MenuItem>
    ))}
  </TextField>
);
