import { useRef } from 'react';
import type { Block, Dataset, Report } from '../api/client';
import { useNear } from '../ui/useNear';
import { StaticWords } from '../writing/StaticWords';
import { Shown } from './BlockView';
import { nameOf } from './document';

/** One block for somebody who may read it and not change it. */
export function ReadBlock({
    report,
    block,
    dataset,
    references,
}: {
    report: Report;
    block: Block;
    dataset: Dataset;
    references: Map<string, string>;
}) {
    const place = useRef<HTMLElement>(null);
    const isNear = useNear(place);
    const number = report.numbers.find((one) => one.block === block.id)?.number ?? null;
    const name = nameOf(block, number);
    const isHeading = block.kind === 'heading';
    return (
        <article ref={place} id={block.id} aria-label={name} tabIndex={-1} className="px-10 py-2 focus:outline-none max-sm:px-4">
            {isHeading && (
                <h2 dir="auto" className={block.level === 2 ? 'text-base' : 'text-title'}>
                    {block.title}
                </h2>
            )}
            {!isHeading && block.kind !== 'text' && (
                <>
                    <p className="text-small">
                        {number !== null && <span className="font-semibold">{number}. </span>}
                        <bdi className="font-semibold">{block.title}</bdi> <bdi>{block.caption}</bdi>
                    </p>
                    <Shown {...{ report, block, dataset, name, isNear }} onChange={() => undefined} />
                </>
            )}
            {block.words !== undefined && <StaticWords dataset={dataset} words={block.words} references={references} />}
        </article>
    );
}
