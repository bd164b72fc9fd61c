// Makes the faces of signs anew, from whole faces under node_modules: `npm run fonts` after a new sign has come into the words.
import { copyFileSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import * as fontkit from 'fontkit';
import fontverter from 'fontverter';
import subset from 'subset-font';
import { shippedCharacters } from './shippedCharacters.mjs';

const folder = dirname(fileURLToPath(import.meta.url));
const root = join(folder, '../..');
const whole = (path) => join(root, 'node_modules', path);
const ascii = String.fromCharCode(...Array.from({ length: 95 }, (_, i) => 32 + i));
/** Letters as formulas have them. */
const italics = Array.from({ length: 52 }, (_, i) => String.fromCodePoint(0x1d434 + i)).join('') + 'ℎ';
/** Letters of the trade and marks over letters, whether a word has them today or not. */
const always = 'αβγδελμνπρστφχψωΔΣΦΩ\u0302\u0303\u0304\u0305⁰¹²³⁴⁵⁶⁷⁸⁹⁺⁻ⁿ₀₁₂₃₄₅₆₇₈₉₊₋½⅓⅔¼¾⅕⅛⅜⅝⅞±×÷−≤≥≠≈√∑∞·…–—‘’“”';
const signs =
    always +
    shippedCharacters(root)
        .map(([character]) => character)
        .join('');

/** Face, whole face, and whether plain letters are in it too: marks over letters need both from one face. */
const FACES = [
    ['signs-400', '@expo-google-fonts/noto-sans/400Regular/NotoSans_400Regular.ttf', 'x'],
    ['signs-600', '@expo-google-fonts/noto-sans/600SemiBold/NotoSans_600SemiBold.ttf', 'x'],
    ['marks', 'dejavu-fonts-ttf/ttf/DejaVuSans.ttf', ''],
    ['mono-marks', 'dejavu-fonts-ttf/ttf/DejaVuSansMono.ttf', ''],
    ['text-400', '@expo-google-fonts/stix-two-text/400Regular/STIXTwoText_400Regular.ttf', ascii],
    ['text-400-italic', '@expo-google-fonts/stix-two-text/400Regular_Italic/STIXTwoText_400Regular_Italic.ttf', ascii],
    ['math', '@expo-google-fonts/stix-two-math/400Regular/STIXTwoMath_400Regular.ttf', ascii + italics + '\u00af\u02dc\u203e'],
];
/** The faces of the interface stand beside them, for pictures that leave it. */
const COPIED = [
    ['ui', '@fontsource-variable/instrument-sans/files/instrument-sans-latin-wght-normal.woff2'],
    ['figures', '@fontsource-variable/spline-sans-mono/files/spline-sans-mono-latin-wght-normal.woff2'],
];

for (const [name, path, letters] of FACES) {
    const characters = new Set(fontkit.openSync(whole(path)).characterSet);
    const wanted = name === 'mono-marks' ? '│─' : signs;
    const text = [...letters, ...wanted].filter((character) => characters.has(character.codePointAt(0))).join('');
    writeFileSync(join(folder, `${name}.woff2`), await subset(readFileSync(whole(path)), text, { targetFormat: 'woff2' }));
}
for (const [name, path] of COPIED) {
    copyFileSync(whole(path), join(folder, `${name}.woff2`));
}

/**
 * Those of a report once more as the program that makes PDFs takes them quickest: without compression, and of the faces that have every
 * weight, each weight that is on paper by itself. To undo the one and to reckon the other took it half a second.
 */
for (const name of ['signs-400', 'signs-600', 'marks', 'mono-marks', 'text-400-italic']) {
    writeFileSync(join(folder, `${name}.ttf`), await fontverter.convert(readFileSync(join(folder, `${name}.woff2`)), 'truetype'));
}
for (const [name, weights] of [
    ['ui', [400, 600, 700]],
    ['figures', [400, 600]],
]) {
    const face = readFileSync(join(folder, `${name}.woff2`));
    const all = String.fromCodePoint(...fontkit.create(face).characterSet);
    for (const wght of weights) {
        writeFileSync(join(folder, `${name}-${wght}.ttf`), await subset(face, all, { targetFormat: 'truetype', variationAxes: { wght } }));
    }
}

/** More letters of the Latin script, which the page fetches where a name has them. */
function extended(face) {
    return whole(`@fontsource-variable/${face}/files/${face}-latin-ext-wght-normal.woff2`);
}

/** How wide each character is in the faces of pictures, in thousandths of the size, as a browser finds one: in the first face that has it. */
const MEASURED = {
    ui: ['ui', extended('instrument-sans'), 'signs-400', 'marks'],
    figures: ['figures', extended('spline-sans-mono'), 'mono-marks', 'signs-400', 'marks'],
    symbols: ['text-400-italic', 'signs-400', 'marks'],
};
const tables = Object.entries(MEASURED).map(([face, files]) => {
    const widths = new Map();
    for (const font of files.map((file) => fontkit.openSync(file.includes('/') ? file : join(folder, `${file}.woff2`)))) {
        for (const point of font.characterSet) {
            if (!widths.has(point)) {
                widths.set(point, Math.round((1000 * font.glyphForCodePoint(point).advanceWidth) / font.unitsPerEm));
            }
        }
    }
    const entries = [...widths].sort(([a], [b]) => a - b).map(([point, width]) => `${point} => ${width}`);
    return `    '${face}' => [${entries.join(', ')}],`;
});
writeFileSync(
    join(root, 'app/Drawing/widths.php'),
    `<?php\n\ndeclare(strict_types=1);\n\n// Made by \`npm run fonts\` from the shipped faces: code point to width in thousandths of the size.\nreturn [\n${tables.join('\n')}\n];\n`,
);
