import { WordChoice } from '../ui/WordChoice';
import { WordEntry } from '../ui/WordEntry';
import type { FigureRow, Stack } from '../api/client';
import { MOST_OUTLINES } from '../plot/OutlineMark';
import { count } from '../ui/format';
import type { Question } from './question';

const rules: Record<string, string> = {
    '': 'automatic classes',
    sturges: 'classes by Sturges',
    scott: 'classes by Scott',
    'freedman-diaconis': 'automatic classes',
};

const marks = [
    { key: 'quartiles', words: 'quartiles' },
    { key: 'median', words: 'median' },
    { key: 'mean', words: 'mean' },
    { key: 'mode', words: 'mode' },
    { key: 'sd1', words: 'mean ± 1 SD' },
    { key: 'sd2', words: 'mean ± 2 SD' },
    { key: 'sd3', words: 'mean ± 3 SD' },
];

/** How the stack is drawn, as a sentence whose words can be changed; and what the classes leave out. */
export function StackLine({
    stack,
    groups,
    figures,
    question,
    onAsk,
}: {
    stack: Stack;
    /** How many groups there are. */
    groups: number;
    figures: FigureRow[];
    question: Question;
    onAsk: (change: Partial<Question>) => void;
}) {
    const shown = question.marks.split(',').filter((key) => marks.some((mark) => mark.key === key));
    const { below, above } = stack.classes.outside;
    return (
        <div className="mb-2 text-small text-soft">
            <p>
                Bars show{' '}
                <WordChoice
                    name="Bars show"
                    options={[
                        { value: 'count', words: 'counts' },
                        { value: 'percent', words: 'percent' },
                        { value: 'density', words: 'density', sentence: 'Areas add up to 1, so groups of any size compare.' },
                        { value: 'cumulative', words: 'cumulative percent', sentence: 'The ogive.' },
                    ]}
                    value={stack.scale}
                    onChange={(scale) => onAsk({ scale })}
                />{' '}
                in{' '}
                <WordEntry
                    name="Classes"
                    words={
                        rules[question.classes] ??
                        (question.classes.includes(':') ? `classes from ${question.classes.replace(':', ' in ')}` : 'classes of my own')
                    }
                    value={question.classes}
                    help="start:width, such as 0:2.5, or edges such as 0,5,10,20. Unequal classes are drawn as density."
                    common={[
                        { value: '', words: 'automatic' },
                        { value: 'sturges', words: 'Sturges' },
                        { value: 'scott', words: 'Scott' },
                    ]}
                    onChange={(classes) => onAsk({ classes })}
                />
                ; <WidthSteps stack={stack} onAsk={onAsk} /> lines:{' '}
                <WordChoice
                    name="Lines"
                    options={[
                        {
                            value: '',
                            words:
                                shown.length === 0
                                    ? 'none'
                                    : marks
                                          .filter(({ key }) => shown.includes(key))
                                          .map(({ words }) => words)
                                          .join(', '),
                        },
                        ...marks.map(({ key, words }) => ({ value: key, words: `${shown.includes(key) ? 'without' : 'with'} ${words}` })),
                    ]}
                    value=""
                    onChange={(key) =>
                        key !== '' &&
                        onAsk({
                            marks: (shown.includes(key) ? shown.filter((other) => other !== key) : [...shown, key]).join(',') || 'none',
                        })
                    }
                />
                ;{' '}
                <WordChoice
                    name="Normal curve"
                    options={[
                        { value: 'no', words: 'no normal curve' },
                        { value: 'yes', words: 'a normal curve', sentence: 'Of the same mean and standard deviation.' },
                    ]}
                    value={question.curve}
                    onChange={(curve) => onAsk({ curve })}
                />
                {groups > 0 && (
                    <>
                        ; groups{' '}
                        {groups <= MOST_OUTLINES && (
                            <WordChoice
                                name="Groups are drawn"
                                options={[
                                    { value: 'lanes', words: 'in lanes' },
                                    {
                                        value: 'outlines',
                                        words: 'over one another',
                                        sentence: 'As outlines on one scale; percent or density compares groups of any size.',
                                    },
                                ]}
                                value={question.arrange}
                                onChange={(arrange) => onAsk({ arrange })}
                            />
                        )}
                        {groups > MOST_OUTLINES && 'in lanes'}
                        {groups > 1 && (
                            <>
                                {' '}
                                in{' '}
                                <WordChoice
                                    name="Order of the lanes"
                                    options={[
                                        { value: '', words: 'their own order' },
                                        ...figures.map((row) => ({ value: row.key, words: `order of ${row.label.toLowerCase()}` })),
                                    ]}
                                    value={question.lane_order}
                                    onChange={(key) => onAsk({ lane_order: key })}
                                />
                            </>
                        )}{' '}
                        on{' '}
                        <WordChoice
                            name="Groups on"
                            options={[
                                { value: 'common', words: 'a common scale' },
                                { value: 'own', words: 'scales of their own' },
                            ]}
                            value={question.lanes}
                            onChange={(lanes) => onAsk({ lanes })}
                        />
                    </>
                )}
                .
            </p>
            {question.zoom !== '' && (
                <p role="status" className="mt-0.5">
                    Only the axis from {question.zoom.replace(':', ' to ')} is drawn.{' '}
                    <button
                        type="button"
                        className="font-semibold text-ink underline decoration-accent decoration-2 underline-offset-4"
                        onClick={() => onAsk({ zoom: '' })}
                    >
                        Back to all of it
                    </button>
                </p>
            )}
            {stack.classes.mixed !== null && (
                <p role="status" className="mt-0.5">
                    {stack.classes.mixed}{' '}
                    <button
                        type="button"
                        className="font-semibold text-ink underline decoration-accent decoration-2 underline-offset-4"
                        onClick={() => onAsk({ classes: '' })}
                    >
                        Use classes that hold equally many
                    </button>
                </p>
            )}
            {below + above > 0 && (
                <p role="status" className="mt-0.5 text-alarm">
                    {count(below + above)} {below + above === 1 ? 'row lies' : 'rows lie'} outside the classes ({count(below)} below,{' '}
                    {count(above)} above).{' '}
                    <button type="button" className="font-semibold underline underline-offset-4" onClick={() => onAsk({ classes: '' })}>
                        Use classes that cover all
                    </button>
                </p>
            )}
        </div>
    );
}

/** The next wider and the next narrower round width. */
function WidthSteps({ stack, onAsk }: { stack: Stack; onAsk: (change: Partial<Question>) => void }) {
    const { narrower, wider } = stack.classes;
    const look = 'mr-1.5 size-5 rounded border border-hair-strong bg-surface leading-none text-ink hover:border-ink disabled:opacity-40';
    const choose = (classes: string | null) => classes !== null && onAsk({ classes });
    return (
        <>
            <button
                type="button"
                className={look}
                aria-label="Narrower classes"
                title="Narrower classes"
                disabled={narrower === null}
                onClick={() => choose(narrower)}
            >
                −
            </button>
            <button
                type="button"
                className={look}
                aria-label="Wider classes"
                title="Wider classes"
                disabled={wider === null}
                onClick={() => choose(wider)}
            >
                +
            </button>
        </>
    );
}
