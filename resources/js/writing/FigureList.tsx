import clsx from 'clsx';
import { createPortal } from 'react-dom';
import type { Candidate } from './candidates';
import { fieldKey } from './document';
import type { Shown } from './queries';

const WIDTH_PX = 380;
const HEIGHT_PX = 290;
const EDGE_PX = 8;

/** What was found by typing, below the caret; the keys of the editor walk it. */
export function FigureList({
    id,
    found,
    at,
    caret,
    shown,
    onTake,
}: {
    id: string;
    found: Candidate[];
    /** Which one Enter takes. */
    at: number;
    caret: DOMRect | null;
    shown: Shown;
    onTake: (candidate: Candidate) => void;
}) {
    const width = Math.min(WIDTH_PX, window.innerWidth - 2 * EDGE_PX);
    const isAbove = caret !== null && caret.bottom + HEIGHT_PX > window.innerHeight && caret.top > HEIGHT_PX;
    return createPortal(
        <ul
            id={id}
            role="listbox"
            aria-label="Figures"
            className="fixed z-50 overflow-hidden rounded-md border border-hair-strong bg-surface py-1 text-small shadow-lg print:hidden"
            style={{
                width,
                left: Math.max(EDGE_PX, Math.min(caret?.left ?? 0, window.innerWidth - width - EDGE_PX)),
                ...(isAbove ? { bottom: window.innerHeight - caret.top + 4 } : { top: (caret?.bottom ?? 0) + 4 }),
            }}
        >
            {found.length === 0 && <li className="px-3 py-1 text-soft">No figure is called that. Escape leaves what is typed.</li>}
            {found.map((candidate, i) => (
                <li
                    key={fieldKey(candidate.field)}
                    id={`${id}-${i}`}
                    role="option"
                    aria-selected={i === at}
                    className={clsx('flex cursor-pointer items-baseline gap-3 px-3 py-1', i === at && 'bg-accent-wash')}
                    // The caret stays where it is.
                    onMouseDown={(event) => {
                        event.preventDefault();
                        onTake(candidate);
                    }}
                >
                    <bdi className="min-w-0 flex-1 truncate">{candidate.name}</bdi>
                    <span className="figures text-soft">
                        {candidate.reference === undefined && shown.get(fieldKey(candidate.field))?.text}
                    </span>
                </li>
            ))}
        </ul>,
        document.body,
    );
}
