/** What a module takes from others and gives to them (ECMA-262 §16.2.2, §16.2.3). */
import type {
  AnyNode,
  ExportAllDeclaration,
  ExportNamedDeclaration,
  ImportDeclaration,
  ImportExpression,
  ImportSpecifier,
  Program,
} from 'acorn';
import { fullAncestor } from 'acorn-walk';
import type { Mention } from './calls.ts';

interface Place {
  start: number;
  end: number;
}

export interface Imported {
  /** By what name the importing script has it; null where it only loads the other. */
  name: string | null;
  /** By what name the other exports it: `default`, a name, or `*` for all of it. */
  exported: string | null;
  at: number;
  /** What stands between the quotes, and where with them. */
  from: string;
  fromAt: Place;
  /** The whole statement. */
  statement: Place;
  /** Loaded while the script runs, by `import(…)`; what goes wrong there does not stop the rest. */
  late: boolean;
}

export interface Exports {
  names: Mention[];
  /** It passes on all that another one exports. */
  passesOn: boolean;
}

type Told = Pick<Imported, 'name' | 'exported' | 'at'>;

export function importsIn(program: Program): Imported[] {
  const imports: Imported[] = program.type === 'Program' ? program.body.flatMap(importedBy) : [];
  fullAncestor(program, (node, _state, ancestors) => {
    if (node.type === 'ImportExpression') imports.push(...lateImports(node, ancestors));
  });
  return imports;
}

function importedBy(node: AnyNode): Imported[] {
  if (node.type === 'ImportDeclaration') return entries(node, node.source, node.specifiers.map(toldOf));
  if (node.type === 'ExportAllDeclaration') return entries(node, node.source, []);
  return node.type === 'ExportNamedDeclaration' && node.source ? entries(node, node.source, []) : [];
}

type Source = ImportDeclaration['source'];
type FromOther = ImportDeclaration | ExportAllDeclaration | ExportNamedDeclaration;

function entries({ start, end }: FromOther | Place, source: Source, told: readonly Told[]): Imported[] {
  const one = {
    from: String(source.value),
    fromAt: { start: source.start, end: source.end },
    statement: { start, end },
    late: false,
  };
  return told.length === 0
    ? [{ ...one, name: null, exported: null, at: start }]
    : told.map((names) => ({ ...names, ...one }));
}

function toldOf(specifier: ImportDeclaration['specifiers'][number]): Told {
  const { local } = specifier;
  const names = { name: local.name, at: local.start };
  if (specifier.type === 'ImportDefaultSpecifier') return { ...names, exported: 'default' };
  return { ...names, exported: specifier.type === 'ImportNamespaceSpecifier' ? '*' : nameIn(specifier.imported) };
}

const nameIn = (node: ImportSpecifier['imported']): string =>
  node.type === 'Identifier' ? node.name : String(node.value);

/** `const { glow } = await import('./glow.js')`, `const Glow = await import('./glow.js')`, or `import('./glow.js')`. */
function lateImports(node: ImportExpression, ancestors: readonly AnyNode[]): Imported[] {
  const { source } = node;
  if (source.type !== 'Literal' || typeof source.value !== 'string') return [];
  const waited = ancestors.at(-2);
  const declared = waited?.type === 'AwaitExpression' ? ancestors.at(-3) : undefined;
  const told = declared?.type === 'VariableDeclarator' ? toldOfPattern(declared.id) : [];
  const around = ancestors.findLast(({ type }) => type === 'VariableDeclaration' || type === 'ExpressionStatement');
  const statement = around ?? node;
  return entries(statement, source, told).map((one) => ({ ...one, late: true }));
}

function toldOfPattern(pattern: AnyNode): Told[] {
  if (pattern.type === 'Identifier') return [{ name: pattern.name, exported: '*', at: pattern.start }];
  if (pattern.type !== 'ObjectPattern') return [];
  return pattern.properties.flatMap((property): Told[] => {
    if (property.type !== 'Property' || property.key.type !== 'Identifier' || property.value.type !== 'Identifier')
      return [];
    return [{ name: property.value.name, exported: property.key.name, at: property.value.start }];
  });
}

export function exportsIn(program: Program): Exports {
  const exports: Exports = { names: [], passesOn: false };
  for (const node of program.body) {
    if (node.type === 'ExportDefaultDeclaration') exports.names.push({ name: 'default', at: node.start });
    if (node.type === 'ExportAllDeclaration') {
      if (node.exported) exports.names.push({ name: nameIn(node.exported), at: node.exported.start });
      else exports.passesOn = true;
    }
    if (node.type === 'ExportNamedDeclaration') exports.names.push(...exportedBy(node));
  }
  return exports;
}

function exportedBy({ declaration, specifiers }: ExportNamedDeclaration): Mention[] {
  const listed = specifiers.map(({ exported }) => ({ name: nameIn(exported), at: exported.start }));
  if (!declaration) return listed;
  if (declaration.type !== 'VariableDeclaration') return [{ name: declaration.id.name, at: declaration.id.start }];
  const declared = declaration.declarations.flatMap(({ id }) =>
    id.type === 'Identifier' ? [{ name: id.name, at: id.start }] : [],
  );
  return [...listed, ...declared];
}
