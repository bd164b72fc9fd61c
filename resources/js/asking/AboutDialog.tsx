import { Dialog } from 'radix-ui';
import { Link } from 'wouter';
import type { About as Asked } from '../ui/about';
import { Button } from '../ui/Button';
import { MiddleDialog } from '../ui/MiddleDialog';
import { Notice } from '../ui/Notice';
import { Waiting } from '../ui/Waiting';
import { topicsAbout, useGuide } from './guide';
import { TopicText, TopicTitle } from './TopicText';

/** The short page of something that is on the screen, over it: whoever reads it is still where they were. */
export function AboutDialog({
    about,
    onClose,
    giveBack,
}: {
    about: Asked;
    onClose: () => void;
    /** The focus, to what had it. */ giveBack: (event: Event) => void;
}) {
    const guide = useGuide();
    const topics = guide.data === undefined ? [] : topicsAbout(guide.data.topics, about);
    const [first] = topics;
    const isOne = topics.length === 1 && first !== undefined;
    return (
        <MiddleDialog title={isOne ? <TopicTitle topic={first} /> : 'About it'} onClose={onClose} giveBack={giveBack}>
            {guide.isError && <Notice onRetry={() => void guide.refetch()}>{guide.error.message}</Notice>}
            {guide.isPending && <Waiting what="Opening the guide" />}
            {guide.data !== undefined && topics.length === 0 && <p>There is no page about it. The guide has what is near to it.</p>}
            {isOne ? (
                <TopicText topic={first} />
            ) : (
                topics.map((topic) => (
                    <details key={topic.key} className="border-b border-hair py-1.5">
                        <summary className="min-h-6 cursor-pointer font-semibold">{topic.title}</summary>
                        <div className="pt-1 pb-2 pl-4">
                            <TopicText topic={topic} />
                        </div>
                    </details>
                ))
            )}
            <div className="mt-5 flex flex-wrap items-center gap-4">
                <Dialog.Close asChild>
                    <Button>Close</Button>
                </Dialog.Close>
                <Link
                    to={isOne ? `/guide/${first.key}` : '/guide'}
                    className="min-h-6 font-semibold text-ink underline decoration-accent decoration-2 underline-offset-4"
                    onClick={onClose}
                >
                    All of the guide
                </Link>
            </div>
        </MiddleDialog>
    );
}
