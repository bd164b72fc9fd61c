import clsx from 'clsx';
import { Button } from './Button';

/** How far something is that takes long, with a way to stop it. */
export function HowFar({ words, share, onStop, className }: { words: string; share: number; onStop: () => void; className: string }) {
    const percent = Math.floor(share * 100);
    return (
        <div className={clsx('flex shrink-0 flex-wrap items-center gap-3 border-hair bg-accent-wash py-2 print:hidden', className)}>
            <span>
                <span role="status">
                    <bdi>{words}</bdi>
                </span>
                : <span className="tabular-nums">{percent} %</span>
            </span>
            <div
                role="progressbar"
                aria-label={words}
                aria-valuenow={percent}
                className="h-1.5 w-40 overflow-hidden rounded-full bg-hair-strong"
            >
                <div className="h-full bg-accent" style={{ width: `${share * 100}%` }} />
            </div>
            <Button className="px-2! py-0.5! text-small!" onClick={onStop}>
                Stop it
            </Button>
        </div>
    );
}
