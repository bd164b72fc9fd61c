import { Link } from 'wouter';
import type { Import } from '../api/client';
import { Button } from '../ui/Button';
import { counted } from '../ui/format';
import { ProgressLine } from './ProgressLine';
import { isUnderWay, useBeginImport, useCancelImport, useImport } from './queries';

/** An import until it has ended, and then what came of it. */
export function ImportProgress({ id, fileName, onDismiss }: { id: number; fileName: string; onDismiss?: () => void }) {
    const answer = useImport(id);
    const cancel = useCancelImport();
    const begin = useBeginImport(id);
    const data = answer.data;
    if (data === undefined) {
        return (
            <ProgressLine
                fileName={fileName}
                state="running"
                share={0}
                words={answer.isError ? answer.error.message : 'Waiting for its turn'}
            />
        );
    }
    const dismiss = onDismiss === undefined ? {} : { action: { words: 'Dismiss', onPress: onDismiss } };
    if (data.status === 'waiting') {
        return (
            <ProgressLine
                fileName={fileName}
                state={data.error === null ? 'done' : 'failed'}
                share={0}
                words={data.error ?? 'Waits for your look at how it is read'}
                action={{ words: 'Discard', onPress: () => cancel.mutate(id) }}
            >
                <Link
                    to={`/imports/${id}`}
                    aria-label={`Look at it: ${fileName}`}
                    className="font-semibold text-accent underline underline-offset-4"
                >
                    Look at it
                </Link>
                <Button
                    className="px-2! py-0.5!"
                    aria-label={`Bring in as recognised: ${fileName}`}
                    disabled={begin.isPending}
                    onClick={() => begin.mutate()}
                >
                    Bring in as recognised
                </Button>
            </ProgressLine>
        );
    }
    if (isUnderWay(data.status)) {
        return (
            <ProgressLine
                fileName={fileName}
                state="running"
                share={data.bytes_total === 0 ? 0 : data.bytes_read / data.bytes_total}
                words={openWords(data)}
                action={{ words: 'Cancel', onPress: () => cancel.mutate(id) }}
            />
        );
    }
    if (data.status === 'done') {
        return (
            <>
                <ProgressLine fileName={fileName} state="done" share={1} words={`${counted(data.rows_read, 'row')} read`} {...dismiss}>
                    <Link
                        to={`/datasets/${data.dataset_id}/rows`}
                        aria-label={`Open its rows: ${fileName}`}
                        className="font-semibold text-accent underline underline-offset-4"
                    >
                        Open its rows
                    </Link>
                    <Link
                        to={`/datasets/${data.dataset_id}/profile`}
                        aria-label={`Open its profile: ${fileName}`}
                        className="font-semibold text-accent underline underline-offset-4"
                    >
                        Open its profile
                    </Link>
                </ProgressLine>
                {data.notes.map((note) => (
                    <p key={note} dir="auto" className="mt-1 max-w-3xl border-l-3 border-hair-strong pl-3 text-small text-soft">
                        {note}
                    </p>
                ))}
            </>
        );
    }
    return (
        <ProgressLine
            fileName={fileName}
            state={data.status === 'failed' ? 'failed' : 'done'}
            share={0}
            words={data.error ?? 'Cancelled; nothing was kept of it.'}
            {...dismiss}
        />
    );
}

function openWords(data: Import): string {
    if (data.status === 'queued') {
        return 'Waiting for its turn';
    }
    // What is no text is made rows first, by a process of its own.
    return data.rows_read === 0 ? 'Opening the file' : `Reading: ${counted(data.rows_read, 'row')} so far`;
}
