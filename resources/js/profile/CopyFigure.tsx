import type { FigureRow } from '../api/client';
import { copyText } from '../ui/copying';
import { fullWritten } from './figureCells';

/** A figure as it is shown; a click copies it in full precision. */
export function CopyFigure({
    figure,
    room = '',
}: {
    figure: FigureRow['values'][number];
    /** What others have behind the point and this one has not: it takes their room, so that points stand below one another. */
    room?: string;
}) {
    return (
        <button
            type="button"
            title={`Copy ${fullWritten(figure)}`}
            className="w-full px-2 py-1 text-right hover:bg-accent-wash"
            onClick={() => void copyText(fullWritten(figure))}
        >
            {figure.text}
            {room !== '' && (
                <span aria-hidden="true" className="invisible select-none">
                    {room}
                </span>
            )}
        </button>
    );
}
