import type { FigureChange } from '../api/client';

/** So many are listed at once. */
const LISTED = 30;

/** Figures that are others than they were, each leading to its block where one is given. */
export function FigureChanges({ changes, onShow }: { changes: FigureChange[]; onShow?: (block: string) => void }) {
    return (
        <ul className="mt-1 max-h-60 max-w-3xl overflow-y-auto text-small" tabIndex={0} aria-label="Figures that changed">
            {changes.slice(0, LISTED).map((change, i) => {
                const words = (
                    <>
                        <bdi>{change.label}</bdi>: <span className="figures">{change.before ?? 'not there'}</span>
                        {' → '}
                        <span className="figures font-semibold">{change.after ?? 'not there'}</span>
                    </>
                );
                return (
                    <li key={i} className="py-0.5">
                        {onShow === undefined ? (
                            words
                        ) : (
                            <button
                                type="button"
                                className="text-left underline decoration-hair-strong underline-offset-4 hover:decoration-accent"
                                onClick={() => onShow(change.block)}
                            >
                                {words}
                            </button>
                        )}
                    </li>
                );
            })}
            {changes.length > LISTED && <li className="text-soft">and {changes.length - LISTED} more</li>}
        </ul>
    );
}
