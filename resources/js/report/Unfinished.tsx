import type { Report } from '../api/client';
import { useUnfinished } from './queries';

/** So many are listed at once. */
const LISTED = 12;

/** What in the report has come to nothing: a variable or a group that is gone, a figure that has no value any more. */
export function Unfinished({ report, revision, onShow }: { report: Report; revision: number; onShow: (block: string) => void }) {
    const unfinished = useUnfinished(report, revision).data ?? [];
    if (unfinished.length === 0) {
        return null;
    }
    return (
        <section aria-label="Unfinished" className="my-3 border-l-3 border-alarm px-4 py-1">
            <p className="font-semibold">
                {unfinished.length === 1 ? '1 thing is unfinished' : `${unfinished.length} things are unfinished`}
            </p>
            <ul className="text-small">
                {unfinished.slice(0, LISTED).map(({ block, number, why }, i) => (
                    <li key={i}>
                        <button
                            type="button"
                            className="min-h-6 text-left underline decoration-hair-strong underline-offset-4 hover:decoration-accent"
                            onClick={() => onShow(block)}
                        >
                            {number === null ? why : `${number}: ${why}`}
                        </button>
                    </li>
                ))}
                {unfinished.length > LISTED && <li className="text-soft">and {unfinished.length - LISTED} more</li>}
            </ul>
        </section>
    );
}
