/** Four strokes and the fifth across them: a tally of five. */
export function Logo({ size = 30 }: { size?: number }) {
    return (
        <svg width={size} height={size} viewBox="0 0 32 32" aria-hidden="true" fill="none" strokeLinecap="round" strokeWidth={2.6}>
            <path stroke="var(--ink)" d="M8.4 7.2 7.8 25M13.6 7 13.2 25.2M18.9 6.8l-.3 18.3M24.1 7.1l-.4 17.8" />
            <path stroke="var(--accent)" d="M3.6 22.6 28.6 10" />
        </svg>
    );
}
