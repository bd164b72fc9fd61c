import { Button } from '../ui/Button';
import { useUnderWay } from './underWay';

/** Says how far a change is that takes long, with a way to stop it. */
export function UnderWayLine() {
    const now = useUnderWay();
    if (now === null) {
        return null;
    }
    const words = now.name === null ? 'Making the change, and what follows from it' : `Making “${now.name}”`;
    return (
        <div role="status" className="flex shrink-0 flex-wrap items-center gap-3 border-b border-hair bg-accent-wash px-4.5 py-2">
            <span>
                <bdi>{words}</bdi>: {Math.floor(now.share * 100)} %
            </span>
            <div
                role="progressbar"
                aria-label={words}
                aria-valuenow={Math.floor(now.share * 100)}
                className="h-1.5 w-40 overflow-hidden rounded-full bg-hair-strong"
            >
                <div className="h-full bg-accent" style={{ width: `${now.share * 100}%` }} />
            </div>
            <Button className="px-2! py-0.5! text-small!" onClick={now.stop}>
                Stop it
            </Button>
        </div>
    );
}
