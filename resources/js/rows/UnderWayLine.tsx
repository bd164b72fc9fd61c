import { HowFar } from '../ui/HowFar';
import { useUnderWay } from './underWay';

/** Says how far a change is that takes long, with a way to stop it. */
export function UnderWayLine() {
    const now = useUnderWay();
    if (now === null) {
        return null;
    }
    const words = now.name === null ? 'Making the change, and what follows from it' : `Making “${now.name}”`;
    return <HowFar words={words} share={now.share} onStop={now.stop} className="border-b px-4.5" />;
}
