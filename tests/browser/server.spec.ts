import http from 'node:http';
import { expect, test } from '@playwright/test';
import { demo, signInTo } from './steps';

const address = process.env.ROWTALLY_URL ?? 'http://127.0.0.1:8740';

test('every answer carries the strict rules, and cookies are closed to scripts and other sites', async ({ request }) => {
    const sent = async () =>
        (await request.get('/'))
            .headersArray()
            .filter(({ name }) => name.toLowerCase() === 'set-cookie')
            .map(({ value }) => value);
    const cookies = await sent();
    expect(await sent(), 'whoever has them is not sent them again').toEqual([]);
    for (const path of ['/', '/api/session', '/api/nothing', '/icon.svg']) {
        const headers = (await request.get(path)).headers();
        expect(headers['x-content-type-options'], path).toBe('nosniff');
        expect(headers['x-frame-options'], path).toBe('DENY');
        expect(headers['referrer-policy'], path).toBe('same-origin');
        const policy = headers['content-security-policy'] ?? '';
        for (const rule of ["default-src 'self'", "base-uri 'none'", "form-action 'self'", "object-src 'none'", "frame-ancestors 'none'"]) {
            expect(policy, path).toContain(rule);
        }
        expect(headers.server, path).not.toMatch(/\d/);
        expect(headers['x-powered-by'], path).toBeUndefined();
    }
    const session = cookies.find((cookie) => cookie.startsWith('rowtally_'));
    expect(session).toMatch(/HttpOnly/i);
    expect(cookies.length).toBeGreaterThan(1);
    for (const cookie of cookies) {
        expect(cookie).toMatch(/SameSite=Lax/i);
    }
});

test('what is built is kept for good and comes packed', async ({ request }) => {
    const page = await (await request.get('/')).text();
    const script = /src="([^"]+\.js)"/.exec(page)?.[1] ?? '';
    const answer = await request.get(script);
    expect(answer.headers()['cache-control']).toContain('immutable');
    expect(answer.headers()['content-encoding']).toBe('gzip');
    expect(answer.headers()['x-content-type-options']).toBe('nosniff');
});

test('a change without the proof of the page is refused', async ({ page, request }) => {
    await signInTo(page, demo);
    const answer = await page.evaluate(
        async () => (await fetch('/api/datasets', { method: 'POST', headers: { Accept: 'application/json' }, body: '{}' })).status,
    );
    expect(answer).toBe(419);
    expect((await request.post('/api/datasets', { headers: { Accept: 'application/json' } })).status()).toBe(419);
});

test('no address of the page follows the name that the request came under', async () => {
    const { hostname, port } = new URL(address);
    const page = await new Promise<string>((resolve) =>
        http.get({ hostname, port, path: '/', headers: { Host: 'evil.example' } }, (answer) => {
            let text = '';
            answer.on('data', (piece: Buffer) => (text += piece.toString()));
            answer.on('end', () => resolve(text));
        }),
    );
    expect(page).toContain('src="/build/');
    expect(page).not.toContain('evil.example');
});

test('what the web server itself refuses is said in words', async ({ request }) => {
    const long = await request.get(`/api/datasets?of=${'a'.repeat(40_000)}`);
    expect(long.status()).toBe(414);
    expect(((await long.json()) as { message: string }).message).toContain('too long');
    for (const path of ['/api/nothing', '/api/datasets/1abc', '/api/datasets/%FF/profile', '/api/datasets?where=%FF']) {
        const answer = await request.get(path, { headers: { Accept: 'application/json' } });
        expect(answer.status(), path).toBeGreaterThanOrEqual(400);
        expect(answer.status(), path).toBeLessThan(500);
        expect(((await answer.json()) as { message: string }).message.length, path).toBeGreaterThan(8);
    }
});
