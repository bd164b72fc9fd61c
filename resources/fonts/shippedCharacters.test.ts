import { openSync, type Font } from 'fontkit';
import { join } from 'node:path';
import { expect, test } from 'vitest';
import { shippedCharacters } from './shippedCharacters.mjs';

const root = join(import.meta.dirname, '../..');
const covered = (...paths: string[]) => new Set(paths.flatMap((path) => (openSync(join(root, path)) as Font).characterSet));
const ours = (name: string) => `resources/fonts/${name}.woff2`;
const fontsource = (face: string) =>
    ['latin', 'latin-ext'].map((part) => `node_modules/@fontsource-variable/${face}/files/${face}-${part}-wght-normal.woff2`);

/** The faces of `--font-ui`, `--font-head`, `--font-figures` and `--font-serif`, without what a machine has of its own. */
const STACKS: Record<string, string[]> = {
    ui: [...fontsource('instrument-sans'), ours('signs-400'), ours('marks')],
    head: [...fontsource('bricolage-grotesque'), ...fontsource('instrument-sans'), ours('signs-600'), ours('marks')],
    figures: [...fontsource('spline-sans-mono'), ours('mono-marks'), ours('signs-400'), ours('marks')],
    serif: [ours('text-400-italic'), ours('signs-400'), ours('marks')],
    pictures: [ours('ui'), ours('figures'), ours('signs-400'), ours('marks'), ours('mono-marks'), ours('text-400-italic')],
};

test.each(Object.keys(STACKS))('every character of the shipped words is in a shipped face: %s', (stack) => {
    const has = covered(...(STACKS[stack] ?? []));
    const characters = shippedCharacters(root);
    expect(characters.length).toBeGreaterThan(40);
    expect(characters.filter(([character]) => !has.has(character.codePointAt(0) ?? 0))).toEqual([]);
});

test('a letter and the mark over it are in one face', () => {
    for (const name of ['signs-400', 'signs-600', 'text-400-italic', 'text-400']) {
        const has = covered(ours(name));
        expect(['x', '\u0303', '\u0304'].filter((character) => !has.has(character.charCodeAt(0)))).toEqual([]);
    }
});
