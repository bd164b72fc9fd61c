import type { Reading, ReadingChange } from '../api/client';
import { Button } from '../ui/Button';

const NONE = -1;

/** Asks whether a column says how many there are of each class or value; once answered, says what was answered. */
export function CountsLine({ reading, onDecide }: { reading: Reading; onDecide: (changes: ReadingChange[]) => void }) {
    const asked = reading.counts_question;
    if (asked === null) {
        return null;
    }
    const name = (place: number) => reading.columns[place]?.name ?? '';
    const decide = (value: number | false | null) =>
        onDecide([
            { what: 'counts', value },
            { what: 'counted', value: typeof value === 'number' ? asked.of : null },
        ]);
    return (
        <section
            aria-label="Counts"
            className="flex shrink-0 flex-wrap items-center gap-x-3 gap-y-1.5 border-b border-hair bg-accent-wash px-4.5 py-2"
        >
            {reading.counts === null && asked.kind === 'limits' ? (
                <>
                    <span>
                        <strong>
                            <bdi>{name(asked.of)}</bdi>
                        </strong>{' '}
                        and{' '}
                        <strong>
                            <bdi>{name(asked.candidates[0] ?? 0)}</bdi>
                        </strong>{' '}
                        read as limits of classes.
                    </span>
                    <Button
                        onClick={() =>
                            onDecide([
                                { what: 'shape', value: 'limits' },
                                { what: 'stacked', value: [asked.of, ...asked.candidates] },
                            ])
                        }
                    >
                        Join them into classes
                    </Button>
                    <Button look="quiet" onClick={() => decide(false)}>
                        They are variables
                    </Button>
                </>
            ) : reading.counts === null ? (
                <>
                    <span>
                        <strong>
                            <bdi>{name(asked.of)}</bdi>
                        </strong>{' '}
                        {asked.kind === 'classes' ? 'reads as classes.' : 'has each value once.'} How many are there of each?
                    </span>
                    {asked.candidates.map((place) => (
                        <Button key={place} onClick={() => decide(place)}>
                            <span>
                                As <bdi>{name(place)}</bdi> says
                            </span>
                        </Button>
                    ))}
                    <Button look="quiet" onClick={() => decide(false)}>
                        Each row is one
                    </Button>
                </>
            ) : (
                <>
                    <span>
                        {reading.counts === NONE ? (
                            'Each row counts once.'
                        ) : (
                            <>
                                How often each row counts is in{' '}
                                <strong>
                                    <bdi>{name(reading.counts)}</bdi>
                                </strong>
                                ; the profile begins with it.
                            </>
                        )}
                    </span>
                    <Button look="quiet" onClick={() => decide(null)}>
                        Ask again
                    </Button>
                </>
            )}
        </section>
    );
}
