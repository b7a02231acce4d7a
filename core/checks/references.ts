/** Every attribute that a browser fetches or follows, for rules about addresses. */
import { attributeOf, type Attribute, type PageElement } from '../markup/index.ts';
import type { PageReading } from '../model/index.ts';

const SOUGHT: Readonly<Record<string, string>> = {
  img: 'src',
  a: 'href',
  script: 'src',
  link: 'href',
  source: 'src',
  video: 'src',
  audio: 'src',
  iframe: 'src',
};

export interface SoughtReference {
  element: PageElement;
  attribute: Attribute;
  /** A script or stylesheet, on which the page's working depends. */
  loads: boolean;
}

export function soughtReferences({ document }: PageReading): SoughtReference[] {
  return document.elements.flatMap((element) => {
    const name = SOUGHT[element.tag];
    const attribute = name === undefined ? undefined : attributeOf(element, name);
    return attribute ? [{ element, attribute, loads: element.tag === 'script' || element.tag === 'link' }] : [];
  });
}
