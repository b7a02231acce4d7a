/**
 * Lists of pictures that a script draws: an array of which every entry names a picture, in a script or as JSON. Each
 * text and number in it has its place, so that a further entry can be written like the last one.
 */
import { type AnyNode, parse, parseExpressionAt } from 'acorn';
import { isPicturePath } from '../../site/index.ts';

interface Range {
  start: number;
  end: number;
}

export interface ListedValue {
  /** Of a text without its quotes. */
  range: Range;
  value: string | number;
  /** The property that it is the value of. */
  key: string | null;
}

export interface ListedEntry {
  range: Range;
  values: ListedValue[];
}

export interface PictureList {
  range: Range;
  /** Of the variable or the property that holds it. */
  name: string | null;
  entries: ListedEntry[];
}

const OPTIONS = { ecmaVersion: 'latest', allowHashBang: true, allowReturnOutsideFunction: true } as const;

function treeOf(text: string): AnyNode | null {
  for (const sourceType of ['script', 'module'] as const)
    try {
      return parse(text, { ...OPTIONS, sourceType });
    } catch {
      // In the other way, as JSON, or not at all.
    }
  try {
    return parseExpressionAt(text, 0, OPTIONS);
  } catch {
    return null;
  }
}

/** A node’s own nodes. */
const childrenOf = (node: AnyNode): AnyNode[] =>
  Object.values(node)
    .flatMap((value: unknown) => (Array.isArray(value) ? (value as unknown[]) : [value]))
    .filter((value): value is AnyNode => typeof value === 'object' && value !== null && 'type' in value);

function nameOf(node: AnyNode): string | null {
  if (node.type === 'Identifier') return node.name;
  return node.type === 'Literal' && typeof node.value === 'string' ? node.value : null;
}

/** Texts and numbers in an entry; null where it holds something that is worked out. */
function valuesIn(node: AnyNode, key: string | null): ListedValue[] | null {
  switch (node.type) {
    case 'Literal': {
      const { value, start, end } = node;
      if (typeof value === 'string') return [{ range: { start: start + 1, end: end - 1 }, value, key }];
      if (typeof value === 'number') return [{ range: { start, end }, value, key }];
      return typeof value === 'boolean' || value === null ? [] : null;
    }
    case 'ObjectExpression':
      return allOf(
        node.properties.map((property) =>
          property.type === 'Property' && !property.computed
            ? valuesIn(property.value, nameOf(property.key as AnyNode))
            : null,
        ),
      );
    case 'ArrayExpression':
      return allOf(node.elements.map((element) => (element ? valuesIn(element as AnyNode, key) : null)));
    default:
      return null;
  }
}

const allOf = (parts: readonly (ListedValue[] | null)[]): ListedValue[] | null =>
  parts.some((part) => part === null) ? null : parts.flatMap((part) => part ?? []);

export const namesPicture = ({ value }: ListedValue): boolean =>
  typeof value === 'string' && isPicturePath(value.replace(/[?#].*$/, ''));

function listFrom(node: AnyNode, name: string | null): PictureList | null {
  if (node.type !== 'ArrayExpression' || node.elements.length < 2) return null;
  const entries = node.elements.flatMap((element): ListedEntry[] => {
    const values = element ? valuesIn(element, null) : null;
    return element && values?.some(namesPicture) ? [{ range: { start: element.start, end: element.end }, values }] : [];
  });
  return entries.length === node.elements.length
    ? { range: { start: node.start, end: node.end }, name, entries }
    : null;
}

/** What an array belongs to, by the node around it. */
function nameFor(parent: AnyNode, node: AnyNode): string | null {
  if (parent.type === 'VariableDeclarator' && parent.init === node) return nameOf(parent.id);
  if (parent.type === 'Property' && parent.value === node) return nameOf(parent.key);
  if (parent.type !== 'AssignmentExpression' || parent.right !== node) return null;
  return parent.left.type === 'MemberExpression' ? nameOf(parent.left.property) : nameOf(parent.left);
}

/** Outermost lists in the order of the text; offsets are those of the text. */
export function pictureListsIn(text: string): PictureList[] {
  // Most scripts name no picture, and need not be read.
  const tree = /\.(?:jpe?g|png|gif|webp|avif)\b/i.test(text) ? treeOf(text) : null;
  const lists: PictureList[] = [];
  const visit = (node: AnyNode, parent: AnyNode | null): void => {
    const list = listFrom(node, parent && nameFor(parent, node));
    if (list) lists.push(list);
    else for (const child of childrenOf(node)) visit(child, node);
  };
  if (tree) visit(tree, null);
  return lists;
}
