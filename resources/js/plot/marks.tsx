/** An outlier: an open ring, or beyond the outer fence a filled diamond. */
export function OutlierMark({ x, y, isFar, colour }: { x: number; y: number; isFar: boolean; colour: string }) {
    return isFar ? (
        <path d={`M${x} ${y - 5}l5 5-5 5-5-5z`} fill={colour} stroke="none" />
    ) : (
        <circle cx={x} cy={y} r={3.6} fill="none" stroke={colour} strokeWidth={1.5} />
    );
}

/** The mean: a small triangle that points at its place, from below or, on a standing axis, from the right. */
export function MeanMark({ x, y, isUpright = false, colour }: { x: number; y: number; isUpright?: boolean; colour: string }) {
    return <path data-mean="" d={isUpright ? `M${x} ${y}l7 4.5v-9z` : `M${x} ${y}l4.5 7h-9z`} fill={colour} stroke="none" />;
}
