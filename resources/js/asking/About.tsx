import { lazy, Suspense, useEffect, useState } from 'react';
import { type About as Asked, onAbout } from '../ui/about';
import { useGivenBack } from '../ui/useGivenBack';

// It is fetched when somebody asks for it.
const AboutDialog = lazy(async () => ({ default: (await import('./AboutDialog')).AboutDialog }));

/** Shows the short page of whatever is asked about, in any place. */
export function About() {
    const [about, setAbout] = useState<Asked | null>(null);
    const { remember, giveBack } = useGivenBack();
    useEffect(
        () =>
            onAbout((asked) => {
                remember();
                setAbout(asked);
            }),
        [remember],
    );
    return about === null ? null : (
        <Suspense fallback={null}>
            <AboutDialog about={about} onClose={() => setAbout(null)} giveBack={giveBack} />
        </Suspense>
    );
}
