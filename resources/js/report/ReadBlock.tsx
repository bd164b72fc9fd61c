import clsx from 'clsx';
import { useRef } from 'react';
import type { Block, Report } from '../api/client';
import { Notice } from '../ui/Notice';
import { useNear } from '../ui/useNear';
import { Waiting } from '../ui/Waiting';
import { nameOf } from './document';
import { PaperHtml } from './PaperHtml';
import { useShown } from './queries';

/** One block for somebody who may read it and not change it: as it stands on paper. */
export function ReadBlock({ report, block }: { report: Report; block: Block }) {
    const place = useRef<HTMLElement>(null);
    const shown = useShown(report, block, report.data.revision, useNear(place));
    const number = report.numbers.find((one) => one.block === block.id)?.number ?? null;
    const name = nameOf(block, number);
    const isOfData = block.kind !== 'heading' && block.kind !== 'text';
    return (
        <article ref={place} id={block.id} aria-label={name} tabIndex={-1} className="px-10 py-2 focus:outline-none max-sm:px-4">
            {block.kind === 'heading' && (
                <h3 dir="auto" className={clsx('font-head font-semibold', block.level === 2 ? 'text-base' : 'text-title')}>
                    {block.title}
                </h3>
            )}
            {isOfData && (
                <p className="text-small">
                    {number !== null && <span className="font-semibold">{number}. </span>}
                    <bdi className="font-semibold">{block.title}</bdi> <bdi>{block.caption}</bdi>
                </p>
            )}
            {shown.isError && <Notice onRetry={() => void shown.refetch()}>{shown.error.message}</Notice>}
            {shown.data === undefined && !shown.isError && (isOfData || block.words !== undefined) && (
                <div className="min-h-40">
                    <Waiting what={`Working out ${name}`} />
                </div>
            )}
            {shown.data !== undefined && isOfData && <PaperHtml html={shown.data.html} name={name} />}
            {shown.data !== undefined && shown.data.words !== '' && <PaperHtml html={shown.data.words} name={name} />}
        </article>
    );
}
