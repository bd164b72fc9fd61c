// A page of headless Chromium, signed in to the demo account: shared by what measures frames.
import { readFileSync } from 'node:fs';
import { chromium } from '@playwright/test';

export async function signedIn(url) {
    const browser = await chromium.launch(JSON.parse(readFileSync(new URL('../ops/chromium.json', import.meta.url), 'utf8')));
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(url);
    await page.getByLabel('E-mail').fill('demo@rowtally.example');
    await page.getByLabel('Password').fill('fenmoor');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByRole('heading', { name: 'Datasets' }).waitFor();
    return { browser, page };
}
