/** What a manifest says of a viewer's options, its look, its presets, and of options that do nothing together. */
import { z } from 'zod';

const OptionValue = z.union([z.boolean(), z.number(), z.string()]);
export type OptionValue = z.infer<typeof OptionValue>;

/**
 * A word of the viewer's manual: an attribute `<prefix><name>` in the markup, the same name in camel case in a start
 * call.
 */
export const Option = z.strictObject({
  name: z.string().regex(/^[a-z][a-z0-9-]*$/),
  /** What a form calls it; without it, its name. */
  title: z.string().min(1).max(60).optional(),
  type: z.enum(['switch', 'number', 'text', 'choice']),
  values: z.array(z.string()).optional(),
  /** The range of a number, both ends included, its steps, and its unit as people write it. */
  min: z.number().optional(),
  max: z.number().optional(),
  step: z.number().positive().optional(),
  unit: z.string().max(10).optional(),
  without: OptionValue,
  /** It is for one link alone; others may also be said for a gallery, or in a start call. */
  each: z.boolean().optional(),
  says: z.string().max(300),
});
export type KitOption = z.infer<typeof Option>;

/** A custom property of the viewer's stylesheet, which a page may set. */
export const Look = z.strictObject({
  property: z.string().regex(/^--[a-z][a-z0-9-]*$/, 'a custom property’s name is needed'),
  title: z.string().min(1).max(60),
  type: z.enum(['color', 'length', 'time', 'number', 'image', 'shadow']),
  /** What holds without it, as a stylesheet or a person says it. */
  without: z.string().max(100),
  says: z.string().max(300),
});
export type KitLook = z.infer<typeof Look>;

/** A named set of options and looks to begin with. */
export const Preset = z.strictObject({
  name: z.string().regex(/^[a-z][a-z0-9-]*$/),
  title: z.string().min(1).max(60),
  says: z.string().max(300),
  options: z.record(z.string(), OptionValue).default({}),
  look: z.record(z.string(), z.string().max(200)).default({}),
});
export type KitPreset = z.infer<typeof Preset>;

/** Options that do nothing while others are as `when` says. */
export const Idle = z.strictObject({
  when: z.record(z.string(), OptionValue),
  options: z.array(z.string()).min(1),
  /** Why, as the end of a sentence: “nothing plays”. */
  says: z.string().min(1).max(200),
});

/** What a preset or a rule about idle options names has to be there. */
export function unknownNames({ options, look, presets, idle }: Named): { path: string[]; message: string } | null {
  const names = new Set(options.map(({ name }) => name));
  const properties = new Set(look.map(({ property }) => property));
  const said = [
    ...presets.flatMap((one) => Object.keys(one.options).map((name) => ({ path: ['presets', one.name], name }))),
    ...idle.flatMap((one) => [...Object.keys(one.when), ...one.options].map((name) => ({ path: ['idle'], name }))),
  ];
  const bad = said.find(({ name }) => !names.has(name));
  if (bad) return { path: bad.path, message: `there is no option ${bad.name}` };
  const own = presets.flatMap((one) => Object.keys(one.look).map((name) => ({ path: ['presets', one.name], name })));
  const stray = own.find(({ name }) => !properties.has(name));
  return stray ? { path: stray.path, message: `there is no look ${stray.name}` } : null;
}
interface Named {
  options: readonly z.infer<typeof Option>[];
  look: readonly z.infer<typeof Look>[];
  presets: readonly z.infer<typeof Preset>[];
  idle: readonly z.infer<typeof Idle>[];
}
