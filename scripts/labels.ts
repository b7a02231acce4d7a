/**
 * All that the interface says, read out of its source: labels, tooltips, messages, empty states, findings, history
 * lines and key lists, to be read alone, without the screens around them.
 */
import { readFileSync } from 'node:fs';
import { globSync } from 'tinyglobby';
import ts from 'typescript';

const PLACES = ['app', 'core', 'server', 'preview'];
/** Tests and what they are made of, and the words of viewers in a dozen languages. */
const AWAY = [
  '**/*.test.ts',
  '**/*.test.tsx',
  '**/*.fixture.ts',
  'core/wiring/words/**',
  'core/plans/informationText.ts',
];

/** Properties and attributes whose values people read, also where they are one small word. */
const LABELS = /^(label|title|says|text|name|aria-label|placeholder|helperText|what|alt|question|heading|hint)$/;
/** Those whose values nobody reads. */
const SILENT = /^(sx|className|style|id|key|type|role|variant|component|href|to|color|size|htmlFor|slot|intent|kind)$/;
/** Functions whose arguments are code of another language, or names. */
const CODE =
  /^(querySelector|querySelectorAll|closest|matches|getAttribute|setAttribute|addEventListener|RegExp|color)$/;

export interface Label {
  path: string;
  line: number;
  /** What is filled in stands as {…}. */
  text: string;
}

/** Text that a person may read: it has a letter, and is a phrase or stands where labels stand. */
const isSaid = (text: string, isLabel: boolean): boolean =>
  /\p{L}{2}/u.test(text) &&
  (isLabel || /\p{L} \p{L}|^\p{Lu}\p{Ll}+/u.test(text)) &&
  !/^[.#@[][\w-]|^https?:|;$|^\s*</.test(text);

/** A template with its holes as {…}. */
function templateText(node: ts.TemplateExpression): string {
  return node.head.text + node.templateSpans.map((span) => `{…}${span.literal.text}`).join('');
}

function textOf(node: ts.Node): string | null {
  if (ts.isJsxText(node)) return node.text;
  if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) return node.text;
  return ts.isTemplateExpression(node) ? templateText(node) : null;
}

/** The name of the property, attribute or function that a text is given to. */
function givenTo(node: ts.Node): string {
  const { parent } = node;
  if (ts.isJsxAttribute(parent)) return parent.name.getText();
  if (ts.isPropertyAssignment(parent)) return parent.name.getText().replace(/['"]/g, '');
  if (ts.isCallExpression(parent)) {
    const called = parent.expression;
    return ts.isPropertyAccessExpression(called) ? called.name.text : called.getText();
  }
  return ts.isJsxExpression(parent) || ts.isConditionalExpression(parent) ? givenTo(parent) : '';
}

const isCompared = (node: ts.Node): boolean =>
  ts.isBinaryExpression(node.parent) && /^[=!]==?$/.test(node.parent.operatorToken.getText());

function isOther(node: ts.Node): boolean {
  const { parent } = node;
  if (ts.isImportDeclaration(parent) || ts.isExportDeclaration(parent)) return true;
  if (ts.isLiteralTypeNode(parent) || ts.isCaseClause(parent) || ts.isElementAccessExpression(parent)) return true;
  if (ts.isPropertyAssignment(parent) && parent.name === node) return true;
  return isCompared(node);
}

function labelsIn(path: string): Label[] {
  const source = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true);
  const found: Label[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isJsxAttribute(node) && SILENT.test(node.name.getText())) return;
    const text = textOf(node)?.replace(/\s+/g, ' ').trim();
    const name = text === undefined || isOther(node) ? 'sx' : givenTo(node);
    const isLabel = ts.isJsxText(node) || LABELS.test(name);
    if (text !== undefined && !SILENT.test(name) && !CODE.test(name) && isSaid(text, isLabel))
      found.push({ path, line: source.getLineAndCharacterOfPosition(node.getStart()).line + 1, text });
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

/** All labels and messages below the given folders or in the given files, in the order of their places. */
export function labelsOf(places: readonly string[] = PLACES): Label[] {
  const patterns = places.map((place) => (/\.tsx?$/.test(place) ? place : `${place}/**/*.{ts,tsx}`));
  return globSync(patterns, { ignore: AWAY }).sort().flatMap(labelsIn);
}
