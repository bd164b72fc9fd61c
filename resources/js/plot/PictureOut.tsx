import type { RefObject } from 'react';
import { copyPicture, savePng, saveSvg } from './picture';
import { saveCsv } from '../ui/copying';
import type { Cells } from '../ui/tables';

/** The ways a picture leaves the page. */
export function PictureOut({ frame, name, numbers }: { frame: RefObject<HTMLElement | null>; name: string; numbers: () => Cells }) {
    const picture = () => frame.current?.querySelector('svg[role="img"]') as SVGSVGElement | null;
    const out = (use: (svg: SVGSVGElement, name: string) => void | Promise<void>) => () => {
        const svg = picture();
        if (svg !== null) {
            void use(svg, name);
        }
    };
    const look = 'underline-offset-4 hover:text-ink hover:underline';
    return (
        <p className="mt-1.5 flex flex-wrap gap-x-4 text-fine text-soft print:hidden">
            <button type="button" className={look} onClick={out(copyPicture)}>
                Copy picture
            </button>
            <button type="button" className={look} onClick={out(savePng)}>
                Save as PNG
            </button>
            <button type="button" className={look} onClick={out(saveSvg)}>
                Save as SVG
            </button>
            <button type="button" className={look} onClick={() => saveCsv(numbers(), `${name}, plotted numbers`)}>
                Save its numbers
            </button>
        </p>
    );
}
