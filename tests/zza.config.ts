import base from './playwright.config';
export default { ...base, retries: 0, timeout: 120000, expect: { timeout: 20000 }, use: { ...base.use, actionTimeout: 20000, screenshot: 'only-on-failure' as const }, reporter: 'list', outputDir: process.env.OUT ?? '/tmp/pwouta' };
