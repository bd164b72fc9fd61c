import clsx from 'clsx';
import { Link } from 'wouter';

const places = [
    { place: 'rows', words: 'Rows' },
    { place: 'profile', words: 'Profile' },
    { place: 'compare', words: 'Compare' },
    { place: 'report', words: 'Report' },
] as const;

export type PlaceName = (typeof places)[number]['place'];

/** The places of one dataset, in the order of the work. */
export function Places({ dataset, here }: { dataset: number; here: PlaceName }) {
    return (
        <nav
            aria-label="Places of this dataset"
            className="ml-3 max-sm:ml-0 flex h-full max-[72rem]:h-11 max-[72rem]:ml-0 max-w-full shrink-0 items-stretch font-medium"
        >
            {places.map(({ place, words }) => (
                <Link
                    key={place}
                    data-shortcut={place === 'compare' ? 'compare' : undefined}
                    to={`/datasets/${dataset}/${place}`}
                    aria-current={place === here ? 'page' : undefined}
                    className={clsx(
                        'flex items-center border-b-3 px-3 max-sm:px-2',
                        place === here ? 'border-accent' : 'border-transparent text-soft hover:text-ink',
                    )}
                >
                    {words}
                </Link>
            ))}
        </nav>
    );
}
