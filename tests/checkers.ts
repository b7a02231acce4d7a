/** Two HTML checkers that nobody here wrote: html-validate, and the Nu HTML checker where Java is. */
import { spawnSync } from 'node:child_process';
import { createRequire } from 'node:module';
import { FileSystemConfigLoader, HtmlValidate } from 'html-validate';

/** Only what the HTML standard says; matters of taste are the author's. */
const VALIDATE = new HtmlValidate(
  new FileSystemConfigLoader({ root: true, extends: ['html-validate:standard'], rules: { 'wcag/h37': 'error' } }),
);

export const hasJava = (): boolean => spawnSync('java', ['-version']).status === 0;

/** Errors of both checkers, each with its file and line; empty where the pages are valid. */
export async function htmlErrors(files: readonly string[]): Promise<string[]> {
  const errors: string[] = [];
  for (const file of files) {
    const report = await VALIDATE.validateFile(file);
    for (const result of report.results)
      for (const message of result.messages)
        if (message.severity === 2)
          errors.push(`html-validate: ${file}:${message.line} ${message.ruleId} ${message.message}`);
  }
  if (!hasJava()) {
    console.log('left out: the Nu HTML checker, for there is no Java here');
    return errors;
  }
  const jar = createRequire(import.meta.url)('vnu-jar') as string;
  const run = spawnSync('java', ['-jar', jar, '--errors-only', '--format', 'text', ...files], { encoding: 'utf8' });
  return run.status === 0
    ? errors
    : errors.concat(
        run.stderr
          .split('\n')
          .filter((line) => line.trim() !== '')
          .map((line) => `Nu: ${line}`),
      );
}
