import { saveBlob, say } from '../ui/copying';

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

/** A picture that stands by itself: colours and faces as they are on the page, text of the lanes as SVG text, on a ground of its own. */
export function standalone(svg: SVGSVGElement): string {
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
    copy.querySelectorAll('[visibility="hidden"], [data-range]').forEach((node) => node.remove());
    copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
    copy.setAttribute('viewBox', `0 0 ${box.width} ${box.height}`);
    const ground = document.createElementNS('http://www.w3.org/2000/svg', 'rect');
    ground.setAttribute('width', '100%');
    ground.setAttribute('height', '100%');
    ground.setAttribute('fill', getComputedStyle(document.documentElement).getPropertyValue('--paper').trim());
    copy.prepend(ground);
    return new XMLSerializer().serializeToString(copy);
}

async function png(svg: SVGSVGElement): Promise<Blob> {
    const box = svg.getBoundingClientRect();
    const image = new Image();
    image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(standalone(svg))}`;
    await image.decode();
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(box.width * SHARPNESS);
    canvas.height = Math.round(box.height * SHARPNESS);
    canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
    return new Promise((resolve, reject) =>
        canvas.toBlob((blob) => (blob === null ? reject(new Error('no picture')) : resolve(blob)), 'image/png'),
    );
}

export function saveSvg(svg: SVGSVGElement, name: string): void {
    saveBlob(new Blob([standalone(svg)], { type: 'image/svg+xml' }), `${name}.svg`);
}

export async function savePng(svg: SVGSVGElement, name: string): Promise<void> {
    saveBlob(await png(svg), `${name}.png`);
}

export async function copyPicture(svg: SVGSVGElement, name: string): Promise<void> {
    try {
        await navigator.clipboard.write([new ClipboardItem({ 'image/png': png(svg) })]);
        say(`Copied: the picture of ${name}`);
    } catch {
        say('The browser did not allow copying a picture. Save it instead.');
    }
}
