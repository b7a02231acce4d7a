/** Start calls read out of a script: `startLightbox('a.open')`, with or without `window.` and in any wrapper. */
import { parse, type CallExpression } from 'acorn';
import { simple } from 'acorn-walk';

export interface StartCall {
  /** The first argument where it is a plain string. */
  selector: string | null;
  /** Offset in the script. */
  at: number;
  /** Called while the script runs, not in a handler that waits for the page. */
  immediate: boolean;
}

export type ScriptReading = { ok: true; calls: StartCall[]; defines: boolean } | { ok: false; reason: string; at: number };

const cache = new Map<string, ScriptReading>();
const CACHE_SIZE = 200;

/** Finds the calls of `name`, and whether the script itself defines it. A script with an error in it does nothing in a browser; that is said. */
export function readScript(text: string, name: string): ScriptReading {
  const key = `${name}\n${text}`;
  const known = cache.get(key);
  if (known) return known;
  if (cache.size >= CACHE_SIZE) cache.clear();
  const reading = parseScript(text, name);
  cache.set(key, reading);
  return reading;
}

function calledName({ callee }: CallExpression): string | null {
  if (callee.type === 'Identifier') return callee.name;
  const global = callee.type === 'MemberExpression' && callee.object.type === 'Identifier' && ['window', 'self', 'globalThis'].includes(callee.object.name);
  return global && callee.property.type === 'Identifier' ? callee.property.name : null;
}

function parseScript(text: string, name: string): ScriptReading {
  try {
    const program = parse(text, { ecmaVersion: 'latest', sourceType: 'script', allowReturnOutsideFunction: true });
    const calls: StartCall[] = [];
    let defines = false;
    const waiting: [number, number][] = [];
    simple(program, {
      CallExpression(node) {
        const { callee } = node;
        const method = callee.type === 'MemberExpression' ? callee.property : callee;
        if (method.type === 'Identifier' && method.name === 'addEventListener') waiting.push(...node.arguments.map((argument): [number, number] => [argument.start, argument.end]));
        if (calledName(node) !== name) return;
        const first = node.arguments[0];
        calls.push({ selector: first?.type === 'Literal' && typeof first.value === 'string' ? first.value : null, at: node.start, immediate: true });
      },
      FunctionDeclaration(node) {
        if (node.id?.name === name) defines = true;
      },
      VariableDeclarator(node) {
        if (node.id.type === 'Identifier' && node.id.name === name) defines = true;
      },
      AssignmentExpression(node) {
        const { left } = node;
        if (left.type === 'MemberExpression' && left.property.type === 'Identifier' && left.property.name === name) defines = true;
      },
    });
    for (const call of calls) call.immediate = !waiting.some(([start, end]) => call.at > start && call.at < end);
    return { ok: true, calls, defines };
  } catch (error) {
    const at = error instanceof Error && 'pos' in error && typeof error.pos === 'number' ? error.pos : 0;
    return { ok: false, reason: error instanceof Error ? error.message : String(error), at };
  }
}
