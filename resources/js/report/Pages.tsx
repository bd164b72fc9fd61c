import { useState } from 'react';
import type { Report } from '../api/client';
import { Notice } from '../ui/Notice';
import { Waiting } from '../ui/Waiting';
import { PaperChoice, type Size } from './PaperChoice';
import { usePages } from './queries';

/** The report as it will be on paper: its pages, with their breaks, heads and numbers. */
export function Pages({ report, revision }: { report: Report; revision: number }) {
    const [size, setSize] = useState<Size>('a4');
    const pages = usePages(report, revision, size);
    const numbers = Array.from({ length: pages.data?.pages ?? 0 }, (_, i) => i + 1);
    return (
        <section aria-label="On paper" className="py-4">
            <p className="mb-3 text-small text-soft">
                <PaperChoice value={size} onChange={setSize} />
                {pages.data !== undefined && `: ${numbers.length === 1 ? '1 page' : `${numbers.length} pages`}`}
            </p>
            {pages.isPending && <Waiting what="Setting the pages" />}
            {pages.isError && <Notice onRetry={() => void pages.refetch()}>{pages.error.message}</Notice>}
            <ol className="flex flex-col items-center gap-6">
                {numbers.map((page) => (
                    <li key={page} className="w-full max-w-[794px]">
                        <img
                            src={`/api/reports/${report.id}/pages/${page}?key=${pages.data?.key ?? ''}`}
                            alt={`Page ${page} of ${numbers.length}`}
                            loading="lazy"
                            className={`w-full border border-hair-strong bg-white ${size === 'a4' ? 'aspect-[210/297]' : 'aspect-[17/22]'}`}
                        />
                    </li>
                ))}
            </ol>
        </section>
    );
}
