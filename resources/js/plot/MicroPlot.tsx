import type { Scene } from '../api/client';
import { Marks } from './paint';

/** A handful of bars without axes, for a first look at a variable. */
export function MicroPlot({ scene, isMuted }: { scene: Scene; isMuted: boolean }) {
    return (
        <svg
            width={scene.width}
            height={scene.height}
            aria-hidden="true"
            className="block"
            style={{ color: isMuted ? 'var(--hair-strong)' : 'var(--accent)' }}
        >
            <Marks marks={scene.marks} />
        </svg>
    );
}
