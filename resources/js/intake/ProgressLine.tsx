import clsx from 'clsx';
import type { ReactNode } from 'react';
import { Button } from '../ui/Button';

/** A file, how far it is, in a bar and in words, and what can be done about it. */
export function ProgressLine({
    fileName,
    state,
    share,
    words,
    action,
    children,
}: {
    fileName: string;
    state: 'running' | 'done' | 'failed';
    /** From 0 to 1. */
    share: number;
    words: string;
    action?: { words: string; onPress: () => void };
    children?: ReactNode;
}) {
    const percent = Math.round(100 * Math.min(1, share));
    return (
        <div className="mt-4 border-t border-hair pt-3" role={state === 'failed' ? 'alert' : 'status'}>
            <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
                <bdi className="max-w-72 truncate font-semibold" title={fileName}>
                    {fileName}
                </bdi>
                {state === 'running' && (
                    <div
                        role="progressbar"
                        aria-label={fileName}
                        aria-valuenow={percent}
                        aria-valuemin={0}
                        aria-valuemax={100}
                        className="h-1.5 w-40 overflow-hidden rounded-full bg-hair"
                    >
                        <div className="h-full bg-overall" style={{ width: `${percent}%` }} />
                    </div>
                )}
                <span className={clsx('figures text-small', state === 'failed' ? 'hidden' : 'text-soft')}>{words}</span>
                <span className="ml-auto flex items-center gap-3">
                    {children}
                    {action !== undefined && (
                        <Button look="quiet" aria-label={`${action.words} ${fileName}`} onClick={action.onPress}>
                            {action.words}
                        </Button>
                    )}
                </span>
            </div>
            {state === 'failed' && <p className="mt-1.5 max-w-3xl border-l-3 border-alarm pl-3">{words}</p>}
        </div>
    );
}
