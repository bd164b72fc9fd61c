import { readFileSync } from 'node:fs';
import { defineConfig } from '@playwright/test';

export default defineConfig({
    testDir: 'tests/browser',
    outputDir: 'var/test/playwright',
    // One set of pictures: all machines draw with Debian's Chromium and the fonts that ship with the page.
    snapshotPathTemplate: '{testDir}/pictures/{arg}{ext}',
    // As many as ./test makes accounts for.
    workers: 2,
    // Generous: a shared machine may stand still for seconds. Nothing here measures speed.
    timeout: 300_000,
    expect: { timeout: 30_000 },
    reporter: 'list',
    forbidOnly: true,
    use: {
        baseURL: process.env.ROWTALLY_URL ?? 'http://127.0.0.1:8750',
        viewport: { width: 1280, height: 800 },
        screenshot: 'only-on-failure',
        launchOptions: JSON.parse(readFileSync('ops/chromium.json', 'utf8')) as { executablePath: string; args: string[] },
    },
});
