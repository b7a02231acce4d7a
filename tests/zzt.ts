import { writeFileSync } from 'node:fs';
import { TYPED } from './groups/typed.ts';
TYPED.forEach(({ body }, n) => writeFileSync(`/tmp/typed-${n}.html`, `<!DOCTYPE html>\n<head>\n<title>x</title>\n</head>\n<body>\n${body}\n</body>\n`));
