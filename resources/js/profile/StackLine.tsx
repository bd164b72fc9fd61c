import { OneStop } from '../ui/OneStop';
import { choicesOf, defaultOf, wordsOf } from '../api/conventions';
import type { DrawnScenes, FigureRow } from '../api/client';
import type { MovableClasses } from '../plot/axes';
import { WordChoice } from '../ui/WordChoice';
import { typedList, writtenList } from '../ui/numbers';
import { WordEntry } from '../ui/WordEntry';
import type { Question } from '../asking/question';

/** How the stack is drawn, as a sentence whose words can be changed. */
export function StackLine({
    classes,
    options,
    groups,
    figures,
    question,
    onAsk,
}: {
    classes: MovableClasses | undefined;
    /** How groups stand, where there is a choice. */
    options: DrawnScenes['options'];
    /** How many groups there are. */
    groups: number;
    figures: FigureRow[];
    question: Question;
    onAsk: (change: Partial<Question>) => void;
}) {
    const marks = choicesOf('marks');
    const shown = question.marks.split(',').filter((key) => marks.some((mark) => mark.value === key));
    const isRule = choicesOf('classes').some(({ value }) => value === question.classes);
    return (
        <OneStop shape="line">
            <p className="mb-2 text-small text-soft">
                Bars show{' '}
                <WordChoice
                    name="Bars show"
                    options={choicesOf('scale')}
                    value={classes?.heights ?? question.scale}
                    onChange={(scale) => onAsk({ scale })}
                />{' '}
                in{' '}
                <WordEntry
                    name="Classes"
                    words={
                        isRule
                            ? wordsOf('classes', question.classes)
                            : question.classes.includes(':')
                              ? `classes from ${writtenList(question.classes).replace(':', ' in ')}`
                              : 'classes of my own'
                    }
                    value={/\d/.test(question.classes) ? writtenList(question.classes) : question.classes}
                    help={`start:width, such as ${writtenList('0:2.5')}, or edges such as ${writtenList('0,5,10,20')}. Unequal classes are drawn as density.`}
                    common={choicesOf('classes')}
                    onChange={(classes) => onAsk({ classes: /\d/.test(classes) ? typedList(classes) : classes })}
                />
                ; {classes !== undefined && <WidthSteps classes={classes} onAsk={onAsk} />} lines:{' '}
                <WordChoice
                    name="Lines"
                    options={[
                        {
                            value: '',
                            words:
                                shown.length === 0
                                    ? 'none'
                                    : marks
                                          .filter(({ value }) => shown.includes(value))
                                          .map(({ words }) => words)
                                          .join(', '),
                        },
                        ...marks.map(({ value, words }) => ({ value, words: `${shown.includes(value) ? 'without' : 'with'} ${words}` })),
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
                    options={choicesOf('curve')}
                    value={question.curve}
                    onChange={(curve) => onAsk({ curve })}
                />
                {groups > 0 && (
                    <>
                        ; groups{' '}
                        {options.map(({ name, label, values, value }) => (
                            <WordChoice key={name} name={label} options={values} value={value} onChange={(arrange) => onAsk({ arrange })} />
                        ))}
                        {options.length === 0 && wordsOf('arrange', defaultOf('arrange'))}
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
                            options={choicesOf('lanes')}
                            value={question.lanes}
                            onChange={(lanes) => onAsk({ lanes })}
                        />
                    </>
                )}
                .
            </p>
        </OneStop>
    );
}

/** The next wider and the next narrower round width. */
function WidthSteps({ classes: { narrower, wider }, onAsk }: { classes: MovableClasses; onAsk: (change: Partial<Question>) => void }) {
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
