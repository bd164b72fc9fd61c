import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';

/** Where words stand that people see: the interface, and what the core and the application say. */
const SOURCES = ['resources/js', 'resources/views', 'core', 'app', 'routes'];
const NOT_SHIPPED = /\.test\.tsx?$|\.generated\.ts$/;
/** Letters of other scripts stand in the words to be recognised, not to be shown. */
const SHOWN = /^[\p{Script=Latin}\p{Script=Greek}\p{N}\p{P}\p{S}\p{M}]$/u;

/** Every character beyond ASCII in the shipped words, with a file that has it: [character, file][]. Comments do not count. */
export function shippedCharacters(root) {
    const found = new Map();
    const files = execFileSync('git', ['ls-files', '-co', '--exclude-standard', '--', ...SOURCES], { cwd: root, encoding: 'utf8' })
        .trim()
        .split('\n')
        .filter((file) => /\.(php|tsx?)$/.test(file) && !NOT_SHIPPED.test(file));
    for (const file of files) {
        for (const character of spelled(uncommented(readFileSync(`${root}/${file}`, 'utf8')))) {
            if (character > '~' && SHOWN.test(character)) {
                found.set(character, file);
            }
        }
    }
    return [...found].sort(([a], [b]) => (a < b ? -1 : 1));
}

/** Without comments: a quote is followed to its end, so that what looks like one inside a text stays. */
function uncommented(source) {
    return source.replace(
        /('(?:[^'\\\n]|\\.)*'|"(?:[^"\\]|\\.)*"|`(?:[^`\\]|\\.)*`)|\/\*[\s\S]*?\*\/|(?<![:\w])\/\/[^\n]*/g,
        (_, text) => text ?? '',
    );
}

/** With characters that are written by their numbers. */
function spelled(source) {
    return source
        .replace(/\\u\{([0-9a-fA-F]{1,6})\}/g, (_, code) => String.fromCodePoint(parseInt(code, 16)))
        .replace(/\\u([0-9a-fA-F]{4})/g, (_, code) => String.fromCodePoint(parseInt(code, 16)));
}
