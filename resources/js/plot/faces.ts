import figures from '../../fonts/figures.woff2?url';
import marks from '../../fonts/marks.woff2?url';
import signs from '../../fonts/signs-400.woff2?url';
import signsStrong from '../../fonts/signs-600.woff2?url';
import italic from '../../fonts/text-400-italic.woff2?url';
import ui from '../../fonts/ui.woff2?url';

const FACES = [
    { family: 'Instrument Sans Variable', url: ui, look: 'font-weight:400 700' },
    { family: 'Spline Sans Mono Variable', url: figures, look: 'font-weight:300 700' },
    { family: 'Row Tally Signs', url: signs, look: 'font-weight:100 550' },
    { family: 'Row Tally Signs', url: signsStrong, look: 'font-weight:551 900' },
    { family: 'Row Tally Marks', url: marks, look: '' },
    { family: 'Row Tally Text', url: italic, look: 'font-style:italic' },
];

let known: Promise<string> | null = null;

/** The faces of the interface as a style sheet with the faces inside it, so that a picture looks the same wherever it goes. */
export function faces(): Promise<string> {
    known ??= Promise.all(
        FACES.map(
            async ({ family, url, look }) => `@font-face{font-family:"${family}";src:url(${await inlined(url)})format("woff2");${look}}`,
        ),
    )
        .then((rules) => rules.join(''))
        .catch(() => {
            // Without them a picture still is one; the next is tried anew.
            known = null;
            return '';
        });
    return known;
}

/** A picture as SVG text with the faces inside. */
export async function withFaces(svg: string): Promise<string> {
    const sheet = await faces();
    return sheet === '' ? svg : svg.replace(/^(<\?xml[^>]*\?>\s*)?(<svg[^>]*>)/, `$1$2<style>${sheet}</style>`);
}

async function inlined(url: string): Promise<string> {
    const answer = await fetch(url);
    if (!answer.ok) {
        throw new Error('a face could not be read');
    }
    const bytes = new Uint8Array(await answer.arrayBuffer());
    return `data:font/woff2;base64,${btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(''))}`;
}
