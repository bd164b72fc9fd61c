import { type RefObject, useState } from 'react';
import { copyPicture, savePng, saveSvg } from './picture';
import { CellTable } from '../ui/CellTable';
import { saveCsv } from '../ui/copying';
import { type PictureWords, useKeep } from '../ui/keeping';
import type { Cells } from '../ui/tables';

/** The ways a picture leaves the page, under a title of one's own if one is typed. */
export function PictureOut({
    frame,
    name,
    numbers,
    words,
}: {
    frame: RefObject<HTMLElement | null>;
    name: string;
    numbers: () => Cells;
    /** How the server is asked for the same picture. */
    words: PictureWords;
}) {
    const [title, setTitle] = useState('');
    const [isShown, setIsShown] = useState(false);
    const keep = useKeep();
    const picture = () => frame.current?.querySelector('svg[role="img"]') as SVGSVGElement | null;
    const out = (use: (svg: SVGSVGElement, name: string, title: string) => void | Promise<void>) => () => {
        const svg = picture();
        if (svg !== null) {
            void use(svg, title.trim() === '' ? name : title.trim(), title.trim());
        }
    };
    const look = 'underline-offset-4 hover:text-ink hover:underline';
    return (
        <>
            <p className="mt-1.5 flex flex-wrap items-baseline gap-x-4 text-fine text-soft print:hidden">
                <input
                    aria-label={`Title of the picture of ${name}`}
                    placeholder="Title of the picture"
                    value={title}
                    maxLength={120}
                    onChange={(event) => setTitle(event.target.value)}
                    className="w-44 border-b border-hair-strong bg-transparent text-ink placeholder:text-soft"
                />
                <button type="button" className={look} onClick={out(copyPicture)}>
                    Copy picture
                </button>
                <button type="button" className={look} onClick={out(savePng)}>
                    Save as PNG
                </button>
                <button type="button" className={look} onClick={out(saveSvg)}>
                    Save as SVG
                </button>
                <button type="button" className={look} aria-expanded={isShown} onClick={() => setIsShown(!isShown)}>
                    {isShown ? 'Hide its numbers' : 'Show its numbers'}
                </button>
                <button type="button" className={look} onClick={() => saveCsv(numbers(), `${name}, plotted numbers`)}>
                    Save its numbers
                </button>
                {keep !== null && (
                    <button
                        type="button"
                        className={look}
                        onClick={() => keep({ title: title.trim() === '' ? name : title.trim(), picture: words })}
                    >
                        Keep
                    </button>
                )}
            </p>
            {isShown && (
                <div className="max-h-96 overflow-y-auto print:hidden">
                    <CellTable name={`${name}, plotted numbers`} cells={numbers()} />
                </div>
            )}
        </>
    );
}
