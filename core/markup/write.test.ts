import { describe, expect, it } from 'vitest';
import { slotsOf, valuesOf, writeBy, type SlotValue } from './write.ts';

const write = (pattern: string, values: Record<string, SlotValue>) => writeBy(pattern, new Map(Object.entries(values)));

describe('an item by a pattern', () => {
  it.each<[string, Record<string, SlotValue>, string]>([
    ['<img src="{thumbnail}" alt="{alt}">', { thumbnail: 'a"b', alt: '' }, '<img src="a&quot;b" alt="">'],
    [
      "<img src='{thumbnail}' alt={alt}>",
      { thumbnail: "a'b", alt: 'two words' },
      '<img src=\'a&#39;b\' alt="two words">',
    ],
    ['<img src="{thumbnail}" alt="{alt}" id="{name}">', {}, '<img src="">'],
    ['<a href="{full}" title="{title}">{alt}</a>', {}, '<a href=""></a>'],
    ['<p class="x-{name}">{caption}</p>', { caption: 'a < b' }, '<p class="x-">a &lt; b</p>'],
    ['<p>{caption}</p>', { caption: { text: 'b', markup: '<b>b</b>' } }, '<p><b>b</b></p>'],
    ['<p title="{caption}">x</p>', { caption: { text: 'b', markup: '<b>b</b>' } }, '<p title="b">x</p>'],
    ['<p>{number:3} {number} {{number} {{x}</p>', { number: '7' }, '<p>007 7 {number} {x}</p>'],
    ['<p title="{{alt}">{index}</p>', { index: '0' }, '<p title="{alt}">0</p>'],
    ['<td>{name}</td>', { name: 'x' }, '<td>x</td>'],
    ['<template><p>{name}</p></template>', { name: 'x' }, '<template><p>x</p></template>'],
    ['<p>No slot & {Not} {one}</p>', {}, '<p>No slot & {Not} </p>'],
  ])('%s', (pattern, values, written) => expect(write(pattern, values)).toBe(written));

  it('loses a further picture of which nothing is known, with the link that holds just that', () => {
    const pattern =
      '<img src="{thumbnail}"><a href="{full}"> <img src="{dense}" alt="{alt}"> </a><p><img src="{more}"></p>';
    expect(write(pattern, { thumbnail: 't', full: 'f', alt: 'a' })).toBe('<img src="t"><p></p>');
    expect(write(pattern, { thumbnail: 't', full: 'f', alt: 'a', dense: 'd', more: 'm' })).toBe(
      '<img src="t"><a href="f"> <img src="d" alt="a"> </a><p><img src="m"></p>',
    );
    expect(write('<a href="{full}">{alt}<img src="{dense}"></a>', { full: 'f', alt: 'a' })).toBe('<a href="f">a</a>');
    expect(write('<img src="x-{dense}">', {})).toBe('<img src="x-">');
  });

  it('has each slot once, in their order', () => {
    expect(slotsOf('{alt} {full} {{name} {alt} {number:2} {x-1} {X}')).toEqual(['alt', 'full', 'number', 'x-1']);
  });

  it('has its values from what it is made of', () => {
    const item = { src: 't/a.jpg', href: 'x/b.c.jpg', alt: 'A', title: 'T', caption: 'C' };
    expect(Object.fromEntries(valuesOf(item, 3))).toEqual({
      thumbnail: 't/a.jpg',
      full: 'x/b.c.jpg',
      alt: 'A',
      title: 'T',
      caption: 'C',
      name: 'b.c',
      'thumbnail-name': 'a',
      number: '3',
      index: '2',
    });
    const sized = valuesOf({ ...item, href: '', width: 0, height: 4 }, 1);
    expect([sized.get('name'), sized.get('width'), sized.get('height')]).toEqual(['a', '0', '4']);
  });
});
