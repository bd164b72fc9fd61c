import { saveBlob, say } from '../ui/copying';
import { withFaces } from './faces';

const SHARPNESS = 2;
const INHERITED = [
    'fill',
    'fill-opacity',
    'stroke',
    'stroke-opacity',
    'stroke-width',
    'stroke-dasharray',
    'font-family',
    'font-size',
    'font-weight',
    'font-style',
    'text-anchor',
    'paint-order',
];

const TITLE_HEIGHT = 34;
/** Elsewhere our faces may be missing, and what stands in for them is wider. */
const LEFT_MARGIN = 16;

/** A picture that stands by itself: colours and faces as they are on the page, text of the lanes as SVG text, on a ground of its own, under its title. */
export function standalone(svg: SVGSVGElement, title = ''): string {
    const copy = svg.cloneNode(true) as SVGSVGElement;
    const originals = svg.querySelectorAll<SVGElement>('*');
    copy.querySelectorAll<SVGElement>('*').forEach((node, i) => {
        const original = originals[i];
        if (original === undefined) {
            return;
        }
        const style = getComputedStyle(original);
        for (const property of INHERITED) {
            node.style.setProperty(property, style.getPropertyValue(property));
            node.removeAttribute(property);
        }
        node.removeAttribute('class');
    });
    const box = svg.getBoundingClientRect();
    copy.querySelectorAll('foreignObject').forEach((object) => object.remove());
    svg.querySelectorAll('foreignObject').forEach((object) => {
        for (const part of object.querySelectorAll<HTMLElement>('bdi, span')) {
            const words = part.innerText.trim();
            if (words === '') {
                continue;
            }
            const at = part.getBoundingClientRect();
            const style = getComputedStyle(part);
            words.split('\n').forEach((line, i) => {
                const text = document.createElementNS('http://www.w3.org/2000/svg', 'text');
                text.setAttribute('x', String(at.right - box.left));
                text.setAttribute('y', String(at.top - box.top + 11 + i * 15 + parseFloat(style.paddingTop)));
                text.setAttribute('text-anchor', 'end');
                text.setAttribute('style', `fill:${style.color};font-family:${style.fontFamily};font-size:${style.fontSize}`);
                text.textContent = line;
                copy.append(text);
            });
        }
    });
    copy.querySelectorAll('[data-range], [data-handle], [data-walked]').forEach((node) => node.remove());
    copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
    const above = title === '' ? 0 : TITLE_HEIGHT;
    copy.setAttribute('viewBox', `${-LEFT_MARGIN} ${-above} ${box.width + LEFT_MARGIN} ${box.height + above}`);
    copy.setAttribute('width', String(box.width + LEFT_MARGIN));
    copy.setAttribute('height', String(box.height + above));
    const ground = document.createElementNS('http://www.w3.org/2000/svg', 'rect');
    const page = getComputedStyle(document.documentElement);
    ground.setAttribute('x', String(-LEFT_MARGIN));
    ground.setAttribute('y', String(-above));
    ground.setAttribute('width', '100%');
    ground.setAttribute('height', String(box.height + above));
    ground.setAttribute('fill', page.getPropertyValue('--paper').trim());
    copy.prepend(ground);
    if (title !== '') {
        const text = document.createElementNS('http://www.w3.org/2000/svg', 'text');
        text.setAttribute('x', '0');
        text.setAttribute('y', String(-above + 22));
        text.setAttribute(
            'style',
            `fill:${page.getPropertyValue('--ink').trim()};font-family:${getComputedStyle(svg).fontFamily};font-size:16px;font-weight:600`,
        );
        text.textContent = title;
        copy.append(text);
    }
    return new XMLSerializer().serializeToString(copy);
}

async function png(svg: SVGSVGElement, title: string): Promise<Blob> {
    const box = svg.getBoundingClientRect();
    const height = box.height + (title === '' ? 0 : TITLE_HEIGHT);
    const image = new Image();
    image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(await withFaces(standalone(svg, title)))}`;
    await image.decode();
    const canvas = document.createElement('canvas');
    canvas.width = Math.round((box.width + LEFT_MARGIN) * SHARPNESS);
    canvas.height = Math.round(height * SHARPNESS);
    canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
    return new Promise((resolve, reject) =>
        canvas.toBlob((blob) => (blob === null ? reject(new Error('no picture')) : resolve(blob)), 'image/png'),
    );
}

export async function saveSvg(svg: SVGSVGElement, name: string, title: string): Promise<void> {
    saveBlob(new Blob([await withFaces(standalone(svg, title))], { type: 'image/svg+xml' }), `${name}.svg`);
}

export async function savePng(svg: SVGSVGElement, name: string, title: string): Promise<void> {
    saveBlob(await png(svg, title), `${name}.png`);
}

export async function copyPicture(svg: SVGSVGElement, name: string, title: string): Promise<void> {
    try {
        await navigator.clipboard.write([new ClipboardItem({ 'image/png': png(svg, title) })]);
        say(`Copied: the picture of ${name}`);
    } catch {
        say('The browser did not allow copying a picture. Save it instead.');
    }
}
