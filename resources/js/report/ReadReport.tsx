import { type ReactNode, useState } from 'react';
import type { Report } from '../api/client';
import { Button } from '../ui/Button';
import { MayChange } from '../ui/mayChange';
import { Editions } from './Editions';
import { Method } from './Method';
import { Pages } from './Pages';
import { ReadBlock } from './ReadBlock';

/** A report for somebody who may read it and not change it; `bar` is what can be done beside. */
export function ReadReport({ report, bar }: { report: Report; bar: ReactNode }) {
    const [isPaper, setIsPaper] = useState(false);
    const { blocks, title } = report.document;
    return (
        <MayChange value={false}>
            <div className="sticky top-0 z-10 -mx-2 flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-hair bg-paper px-2 py-2 text-small">
                {bar}
                <Button className="ml-auto px-2! py-0.5!" aria-pressed={isPaper} onClick={() => setIsPaper(!isPaper)}>
                    {isPaper ? 'Back to reading' : 'As pages'}
                </Button>
            </div>
            {isPaper ? (
                <Pages report={report} revision={report.data.revision} />
            ) : (
                <div className="paper-sheet mx-auto mt-4 max-w-4xl rounded-md border border-hair">
                    <div className="px-10 pt-8 max-sm:px-4">
                        <h2 dir="auto" className="text-3xl">
                            {title}
                        </h2>
                        <p className="border-b border-ink pb-3 text-soft">
                            <bdi>{report.data.title}</bdi> · {report.data.size}
                        </p>
                    </div>
                    {blocks.length === 0 && <p className="px-10 py-6 text-soft max-sm:px-4">Nothing in it yet.</p>}
                    {blocks.map((block) => (
                        <ReadBlock key={block.id} report={report} block={block} />
                    ))}
                    <Method report={report} revision={report.data.revision} onLine={() => undefined} />
                </div>
            )}
            <Editions report={report.id} />
        </MayChange>
    );
}
