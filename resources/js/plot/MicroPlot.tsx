const WIDTH = 64;
const HEIGHT = 20;
const MOST_BARS = 24;

/** A handful of bars without axes, for a first look at a variable. Draws nothing where there is nothing to count. */
export function MicroPlot({ counts, isMuted }: { counts: number[]; isMuted: boolean }) {
    const bars = counts.slice(0, MOST_BARS);
    const highest = Math.max(1, ...bars);
    const step = Math.min(14, WIDTH / Math.max(1, bars.length));
    return (
        <svg width={WIDTH} height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden="true" className="block">
            {bars.map((value, i) => {
                const height = value === 0 ? 0 : Math.max(1, (value / highest) * HEIGHT);
                return (
                    <rect
                        key={i}
                        x={i * step}
                        y={HEIGHT - height}
                        width={Math.max(1, step - 1)}
                        height={height}
                        fill={isMuted ? 'var(--hair-strong)' : 'var(--accent)'}
                    />
                );
            })}
        </svg>
    );
}
