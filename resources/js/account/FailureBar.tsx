import { failures, useLastFailure } from '../api/failures';
import { Button } from '../ui/Button';

/** What did not happen, with the way to ask for it again. */
export function FailureBar() {
    const failure = useLastFailure();
    if (failure === null) {
        return null;
    }
    return (
        <div
            role="alert"
            className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-2 border-t border-hair-strong bg-surface px-5 py-2.5 text-small print:hidden"
        >
            <p className="min-w-0 flex-1 border-l-3 border-alarm pl-3">{failure.sentence}</p>
            <Button onClick={failure.again}>Try again</Button>
            <Button look="quiet" onClick={() => failures.dismiss()}>
                Leave it
            </Button>
        </div>
    );
}
