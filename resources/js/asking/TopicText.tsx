import type { Topic } from '../api/client';

/** What a page of the guide is about. */
export function TopicTitle({ topic }: { topic: Topic }) {
    return (
        <>
            {topic.title}
            {topic.symbol !== '' && (
                <>
                    {' '}
                    <i className="font-serif font-normal text-soft">{topic.symbol}</i>
                </>
            )}
        </>
    );
}

/** The page, without its title. */
export function TopicText({ topic }: { topic: Topic }) {
    return (
        <>
            <p>{topic.what}</p>
            <dl className="mt-3 space-y-2.5">
                {topic.parts.map(({ label, text, is_formula }) => (
                    <div key={label}>
                        <dt className="text-small text-soft">{label}</dt>
                        <dd className={is_formula ? 'font-serif break-words' : undefined}>{text}</dd>
                    </div>
                ))}
            </dl>
            {topic.choices.length > 0 && (
                <ul className="mt-3 space-y-1 border-t border-hair pt-2 text-small">
                    {topic.choices.map(({ words, sentence }) => (
                        <li key={words}>
                            <b className="font-semibold">{words}</b>: {sentence}
                        </li>
                    ))}
                </ul>
            )}
        </>
    );
}
