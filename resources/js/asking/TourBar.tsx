import { useEffect, useRef } from 'react';
import { useLocation } from 'wouter';
import { Button } from '../ui/Button';
import { goOn, leaveForGood, type Tour, useTour } from '../ui/tour';
import { useGuide } from './guide';

/** Below every place while somebody looks around: what there is to see here, and the way on. It covers nothing. */
export function TourBar() {
    const tour = useTour();
    return tour === null ? null : <Step key={tour.step} tour={tour} />;
}

function Step({ tour }: { tour: Tour }) {
    const guide = useGuide();
    const [, navigate] = useLocation();
    const head = useRef<HTMLHeadingElement>(null);
    const steps = guide.data?.tour ?? [];
    const step = steps[tour.step];
    const isThere = step !== undefined;
    useEffect(() => {
        if (isThere) {
            head.current?.focus();
        }
    }, [isThere]);
    const go = (to: number) => {
        const next = steps[to];
        if (next === undefined) {
            leaveForGood();
            navigate('/datasets');
            return;
        }
        goOn({ ...tour, step: to });
        navigate(`/datasets/${tour.dataset}/${next.place}${next.words === '' ? '' : `?${next.words}`}`);
    };
    return step === undefined ? null : (
        <section
            aria-label="Looking around"
            className="shrink-0 border-t-2 border-accent bg-surface px-6 py-3 small:order-first small:border-t-0 small:border-b-2 print:hidden"
        >
            <div className="mx-auto flex max-w-5xl flex-wrap items-start gap-x-8 gap-y-2">
                <div className="min-w-60 flex-1">
                    <h2 ref={head} tabIndex={-1} className="text-base font-semibold outline-none">
                        <span className="figures mr-2 text-small font-normal text-soft">
                            {tour.step + 1} of {steps.length}
                        </span>
                        {step.title}
                    </h2>
                    <p className="mt-0.5 max-w-prose text-small">{step.text}</p>
                </div>
                <p className="flex flex-wrap gap-2">
                    {tour.step > 0 && <Button onClick={() => go(tour.step - 1)}>Step back</Button>}
                    <Button look="primary" onClick={() => go(tour.step + 1)}>
                        {tour.step + 1 < steps.length ? 'Next step' : 'To my data'}
                    </Button>
                    {tour.step + 1 < steps.length && (
                        <Button look="quiet" onClick={leaveForGood}>
                            Leave it
                        </Button>
                    )}
                </p>
            </div>
        </section>
    );
}
