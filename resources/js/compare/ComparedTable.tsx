import { AboutIt } from '../ui/AboutIt';
import { machineForm, typedForm } from '../ui/numbers';
import { OneStop } from '../ui/OneStop';
import { Fragment } from 'react';
import type { Compared } from '../api/client';
import { laneColour } from '../plot/colours';
import { copyText, TableOut } from '../ui/copying';

type Line = Compared['comparisons'][number]['sections'][number]['lines'][number];

/** The comparison in the order in which people compare: each side, and how it differs from the first. */
export function ComparedTable({ compared, name }: { compared: Compared; name: string }) {
    const [main] = compared.comparisons;
    if (main === undefined) {
        return null;
    }
    const isPairs = compared.what === 'pairs';
    const head = [
        compared.unit ?? '',
        main.first,
        ...compared.comparisons.flatMap(({ second }) => [second, isPairs ? 'change' : 'difference', '']),
    ];
    const lines = (place: number, section: number, line: number): Line | undefined =>
        compared.comparisons[place]?.sections[section]?.lines[line];
    const cells = () => [
        head,
        ...main.sections.flatMap(({ title, lines: own }, s) => [
            [title],
            ...own.map((line, i) => [
                line.label,
                machineForm(line.first ?? ''),
                ...compared.comparisons.flatMap((_, place) => {
                    const other = lines(place, s, i);
                    return [other?.second ?? '', other?.difference ?? other?.reason ?? '', other?.beside ?? ''].map((text) =>
                        machineForm(text),
                    );
                }),
            ]),
        ]),
    ];
    return (
        <section aria-label="Comparison">
            <AboutIt about={{ kind: 'comparison', of: null }} name="comparing" />
            <TableOut table={cells} basis={compared.basis.words} name={name} keeps={{ kind: 'comparison' }} />
            <OneStop className="mt-2 max-w-full overflow-x-auto" role="region" aria-label="Comparison table">
                <table className="border-collapse text-small whitespace-nowrap">
                    <thead>
                        <tr className="text-soft">
                            <td className="sticky left-0 bg-paper pr-4 align-bottom">{compared.unit}</td>
                            <Head name={main.first} lane={1} />
                            {compared.comparisons.map(({ second }, i) => (
                                <Fragment key={i}>
                                    <Head name={second} lane={i + 2} />
                                    <th scope="col" colSpan={2} className="px-2 pb-1 text-right align-bottom font-medium">
                                        {isPairs ? 'change' : 'difference'}
                                    </th>
                                </Fragment>
                            ))}
                        </tr>
                    </thead>
                    {main.sections.map(({ title, lines: own }, s) =>
                        isDrawn(own) ? null : (
                            <tbody key={title} className="border-t border-hair-strong">
                                <tr>
                                    <th
                                        scope="rowgroup"
                                        colSpan={2 + 3 * compared.comparisons.length}
                                        className="pt-2 pb-0.5 text-left font-semibold text-accent"
                                    >
                                        {title}
                                    </th>
                                </tr>
                                {own.map((line, i) => (
                                    <tr key={line.key} data-line={line.key} className="border-t border-hair">
                                        <th
                                            scope="row"
                                            className="sticky left-0 max-w-64 min-w-28 bg-paper py-1 pr-4 sm:min-w-44 text-left font-normal whitespace-normal"
                                        >
                                            <bdi>{line.label}</bdi>
                                        </th>
                                        <td className="figures px-2 text-right">{line.first}</td>
                                        {compared.comparisons.map((_, place) => {
                                            const other = lines(place, s, i);
                                            return other === undefined ? null : <Difference key={place} line={other} />;
                                        })}
                                    </tr>
                                ))}
                            </tbody>
                        ),
                    )}
                </table>
            </OneStop>
        </section>
    );
}

/** The tenths are drawn beside the table; they are in what is copied and saved. */
function isDrawn(lines: Line[]): boolean {
    return lines.every(({ key }) => key.startsWith('at_'));
}

function Head({ name, lane }: { name: string; lane: number }) {
    return (
        <th scope="col" className="max-w-36 px-2 pb-1 text-right align-bottom font-medium whitespace-normal">
            <bdi className="line-clamp-3 break-words" title={name}>
                {name}
            </bdi>
            <span aria-hidden="true" className="mt-1 block h-0.75 rounded-full" style={{ background: laneColour(lane) }} />
        </th>
    );
}

function Difference({ line }: { line: Line }) {
    const { second, difference, beside, reason, value } = line;
    return (
        <>
            <td className="figures px-2 text-right">{second}</td>
            <td className="p-0 text-right font-semibold">
                {difference === null ? (
                    <span className="block max-w-44 px-2 text-fine leading-tight font-normal whitespace-normal text-soft">{reason}</span>
                ) : (
                    <button
                        type="button"
                        title="Copy in full precision"
                        className="figures px-2 py-1 decoration-hair-strong underline-offset-4 hover:underline"
                        onClick={() => void copyText(value === null ? difference : typedForm(String(value)))}
                    >
                        {difference}
                    </button>
                )}
            </td>
            <td className="figures pr-2 text-left text-soft">{beside}</td>
        </>
    );
}
