/** The development server, where React tells what it only swallows in a build: no hydration warning on any screen. */
import { spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { expect, test } from '@playwright/test';

const PORT = Number(process.env.TEST_PORT ?? 4990) + 4;

test('hydrates without a warning', async ({ page }) => {
  test.setTimeout(300_000);
  const root = fileURLToPath(new URL('../..', import.meta.url));
  const server = spawn('node_modules/.bin/tsx', ['server/development.ts'], {
    cwd: root,
    env: { ...process.env, PORT: String(PORT), NODE_OPTIONS: '--conditions=development' },
    detached: true,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  try {
    await new Promise<void>((resolve) =>
      server.stdout.on('data', (text: Buffer) => text.includes('Heathmoor is at') && resolve()),
    );
    // Vite bundles dependencies on the first visit and loads the page anew when it has; a click before that leads
    // nowhere.
    await expect(async () => {
      if (!page.url().includes('/pairs')) {
        await page.goto(`http://localhost:${PORT}/`);
        await page.getByRole('link', { name: 'Tarrowby Kite Circle' }).click({ timeout: 60_000 });
      }
      await page.waitForURL(/\/pairs(\?|$)/, { timeout: 5000 });
    }).toPass({ timeout: 240_000 });
    const told: string[] = [];
    page.on('console', (message) => {
      if (/hydrat|did not match|didn't match/i.test(message.text())) told.push(message.text());
    });
    for (const path of ['/', page.url()]) {
      await page.goto(path.startsWith('http') ? path : `http://localhost:${PORT}${path}`);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible({ timeout: 90_000 });
      await page.waitForTimeout(500);
    }
    expect(told).toEqual([]);
  } finally {
    if (server.pid !== undefined) process.kill(-server.pid);
  }
});
