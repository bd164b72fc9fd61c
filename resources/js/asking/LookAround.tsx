import { useMutation } from '@tanstack/react-query';
import { useLocation } from 'wouter';
import demo from '../../../demo/spring-inspection.csv?url';
import { api, bodyOf } from '../api/client';
import { importText } from '../api/imports';
import { Button } from '../ui/Button';
import { goOn, leaveForGood, useHasSeenTour } from '../ui/tour';
import { Trouble } from '../ui/Notice';

const TITLE = 'Spring inspection';
const LOOK_EVERY_MS = 400;

/** The dataset that the way through the work leads through: the made-up one, brought in where an account has none. */
async function demoDataset(): Promise<number> {
    const own = bodyOf(await api.GET('/datasets')).find(({ title }) => title === TITLE);
    if (own !== undefined) {
        return own.id;
    }
    let coming = await importText({ text: await (await fetch(demo)).text(), title: TITLE, begin: '1' });
    while (coming.status === 'queued' || coming.status === 'running') {
        await new Promise((resolve) => setTimeout(resolve, LOOK_EVERY_MS));
        coming = bodyOf(await api.GET('/imports/{import}', { params: { path: { import: coming.id } } }));
    }
    if (coming.dataset_id === null) {
        throw new Error(coming.error ?? 'The made-up data could not be brought in. Try again.');
    }
    return coming.dataset_id;
}

/** Begins the five steps. */
export function LookAround({ words }: { words: string }) {
    const [, navigate] = useLocation();
    const begin = useMutation({
        meta: { isSaidInPlace: true },
        mutationFn: demoDataset,
        onSuccess: (dataset) => {
            goOn({ dataset, step: 0 });
            navigate(`/datasets/${dataset}/rows`);
        },
    });
    return (
        <span className="inline-flex flex-wrap items-center gap-3">
            <Button disabled={begin.isPending} onClick={() => begin.mutate()}>
                {begin.isPending ? 'Bringing in the made-up data' : words}
            </Button>
            {begin.isError && <Trouble onRetry={() => begin.mutate()}>{begin.error.message}</Trouble>}
        </span>
    );
}

/** For whoever is here for the first time; gone once it was taken or left. */
export function LookAroundOffer() {
    return useHasSeenTour() ? null : (
        <section aria-label="New here" className="mt-5 flex flex-wrap items-center gap-x-4 gap-y-2 text-small text-soft">
            <p>New here? Five steps through the work, on made-up data.</p>
            <LookAround words="Look around" />
            <Button look="quiet" onClick={leaveForGood}>
                Not now
            </Button>
        </section>
    );
}
