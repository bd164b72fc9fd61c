import clsx from 'clsx';
import { useEffect } from 'react';
import { useLocation, useParams } from 'wouter';
import { Account } from '../account/Account';
import { useDataset } from '../api/datasets';
import { BasisLine, rowWord } from '../asking/BasisLine';
import { DatasetBar } from '../asking/DatasetBar';
import { useKeeping } from '../asking/queries';
import { type Question, readQuestion, rowsWords, writeQuestion } from '../asking/question';
import { SaidList } from '../asking/SaidList';
import { ScenesPart } from '../asking/ScenesPart';
import { CopiedNote, say } from '../ui/copying';
import { Keeping, type ToKeep } from '../ui/keeping';
import { Notice } from '../ui/Notice';
import { useAddress } from '../ui/useAddress';
import { GONE_WHEN_SLOW, Waiting } from '../ui/Waiting';
import { ComparedTable } from './ComparedTable';
import { CompareLine } from './CompareLine';
import { compareWords, type Comparing, firstComparison, readComparing } from './comparing';
import { useCompared } from './queries';

const SAID = 4;

/** Groups, variables, the same rows earlier and later, or two datasets against each other. The address is the state. */
export function ComparePage() {
    const id = Number(useParams().dataset);
    const [address, setAddress] = useAddress();
    const [, navigate] = useLocation();
    const question = readQuestion(address);
    const comparing = readComparing(address);
    const dataset = useDataset(id);
    const answer = useCompared(id, dataset.data?.revision, question, comparing);
    const ask = (change: Partial<Question>, compare: Partial<Comparing> = {}) =>
        setAddress(written({ ...question, ...change }, { ...comparing, ...compare }));

    // Whoever comes without a question finds one.
    const arrived = dataset.data;
    const first = arrived === undefined ? null : firstComparison(arrived);
    const isAsked = comparing.what !== '';
    useEffect(() => {
        if (!isAsked && first !== null) {
            const { what, of, by } = first;
            setAddress(written({ ...question, of, by }, { ...comparing, what }), { replace: true });
        }
    });

    useEffect(() => {
        document.title = `Compare · ${dataset.data?.title ?? ''} · Row Tally`;
    }, [dataset.data?.title]);

    const keep = useKeeping(id);
    const keepItem = (item: ToKeep) => {
        if (answer.data !== undefined) {
            keep.mutate(
                { item, place: 'compare', address: address.toString() },
                { onSuccess: () => say(`Kept for the report: ${item.title}`) },
            );
        }
    };
    const compared = answer.data;
    const [main] = compared?.comparisons ?? [];
    const title = main === undefined || compared === undefined ? '' : `${compared.name}: ${main.second} against ${main.first}`;
    return (
        <div className="flex h-full flex-col">
            <DatasetBar id={id} dataset={dataset.data} here="compare" account={<Account />} />
            {dataset.isError && <Notice onRetry={() => void dataset.refetch()}>{dataset.error.message}</Notice>}
            {dataset.isPending && <Waiting what="Opening the dataset" />}
            {dataset.data !== undefined && (
                <>
                    <BasisLine
                        dataset={id}
                        rows={dataset.data.rows}
                        rowWord={rowWord(dataset.data)}
                        aside={dataset.data.set_aside}
                        answer={undefined}
                        question={question}
                        variables={dataset.data.variables}
                        onAsk={ask}
                    />
                    <main aria-busy={answer.isFetching} className="relative min-w-0 flex-1 overflow-y-auto px-6 pt-4 pb-10">
                        {!isAsked && first === null && (
                            <p className="text-soft">
                                There is nothing to compare here: it takes a number and what splits the rows into groups, or two numbers.
                            </p>
                        )}
                        {/* With the first answer, whose names it has. */}
                        {isAsked && (compared !== undefined || answer.isError) && (
                            <CompareLine
                                dataset={dataset.data}
                                question={question}
                                comparing={comparing}
                                compared={answer.isError ? undefined : compared}
                                onAsk={ask}
                            />
                        )}
                        {answer.isError && <Notice onRetry={() => void answer.refetch()}>{answer.error.message}</Notice>}
                        {answer.isFetching && <Waiting what="Comparing" />}
                        {compared !== undefined && main !== undefined && !answer.isError && (
                            <Keeping value={dataset.data.role === 'reader' ? null : keepItem}>
                                {compared.notes.map((note) => (
                                    <p key={note} className="mb-2 max-w-3xl border-l-3 border-alarm pl-3 text-small">
                                        {note}
                                    </p>
                                ))}
                                <div
                                    className={clsx(
                                        'flex items-start transition-opacity',
                                        // A table of several stands above the pictures, so that none is hidden behind an edge.
                                        compared.comparisons.length > 1 ? 'flex-col gap-4' : 'gap-10 max-xl:flex-col max-xl:gap-4',
                                        answer.isPlaceholderData && GONE_WHEN_SLOW,
                                    )}
                                >
                                    <div className={clsx('max-w-full shrink-0', compared.comparisons.length === 1 && 'xl:max-w-[56%]')}>
                                        <ComparedTable compared={compared} name={title} />
                                        <section aria-label="What it says" className="mt-5">
                                            <h2 className="text-body font-semibold">What it says</h2>
                                            {compared.comparisons.map((one) => (
                                                <div key={one.second}>
                                                    {compared.comparisons.length > 1 && (
                                                        <h3 className="mt-2 text-small text-soft">
                                                            <bdi>{one.second}</bdi> against <bdi>{one.first}</bdi>
                                                        </h3>
                                                    )}
                                                    <SaidList readings={one.readings} shown={SAID} titleOf={() => title} variable={null} />
                                                </div>
                                            ))}
                                        </section>
                                    </div>
                                    <div className="w-full min-w-0 flex-1">
                                        {pictures(compared.what, compared.sides.length).map(({ kind, name, look }) => (
                                            <ScenesPart
                                                key={`${kind} ${compared.what} ${compared.sides.length}`}
                                                kind={kind}
                                                title={name}
                                                {...(look === undefined ? {} : { look })}
                                                dataset={id}
                                                revision={compared.revision}
                                                question={question}
                                                variable={question.of.join(',')}
                                                names={compared.sides.map((side) => side.name)}
                                                axisName={compared.name}
                                                compareWords={compareWords(comparing)}
                                                isFigured={!answer.isPlaceholderData}
                                                onShowRows={(where) =>
                                                    navigate(`/datasets/${id}/rows?${rowsWords(where, question).toString()}`)
                                                }
                                            />
                                        ))}
                                    </div>
                                </div>
                            </Keeping>
                        )}
                    </main>
                    <CopiedNote />
                </>
            )}
        </div>
    );
}

/** The pictures of a comparison, in the order in which people look. */
function pictures(what: string, sides: number): { kind: string; name: string; look?: { name: string; value: string }[] }[] {
    if (what === 'pairs') {
        return [
            { kind: 'stack', name: 'The changes' },
            { kind: 'slopes', name: 'From one to the other' },
        ];
    }
    return [
        { kind: 'against', name: 'On one axis' },
        { kind: 'tenths', name: 'Difference at each tenth' },
        ...(sides === 2
            ? [{ kind: 'stems', name: 'Stem-and-leaf', look: [{ name: 'back', value: 'yes' }] }]
            : [{ kind: 'boxes', name: 'Box plots' }]),
    ];
}

function written(question: Question, comparing: Comparing): URLSearchParams {
    const address = writeQuestion(question);
    for (const [name, value] of Object.entries(compareWords(comparing))) {
        address.set(name, value);
    }
    return address;
}
