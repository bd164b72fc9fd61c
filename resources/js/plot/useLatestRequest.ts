import { startTransition, useRef, useState } from 'react';

/**
 * Answers to questions that come faster than answers do: one is asked at a time, the latest question next, those between are dropped.
 * What was answered belongs to `to` and is gone when that is another.
 */
export function useLatestRequest<Answer>(
    to: object,
    ask: (question: string) => Promise<Answer>,
): { answer: Answer | null; follow: (question: string) => void } {
    const [answered, setAnswered] = useState<{ to: object; answer: Answer } | null>(null);
    const wanted = useRef<string | null>(null);
    const isAsking = useRef(false);
    const follow = (question: string) => {
        wanted.current = question;
        if (!isAsking.current) {
            void next();
        }
    };
    const next = async () => {
        isAsking.current = true;
        while (wanted.current !== null) {
            const question = wanted.current;
            wanted.current = null;
            try {
                const answer = await ask(question);
                // The hand goes first: an answer is painted between its moves.
                startTransition(() => setAnswered({ to, answer }));
            } catch {
                // What was drawn last stays; when the hand lets go, the page asks again and says what is wrong.
            }
        }
        isAsking.current = false;
    };
    return { answer: answered !== null && answered.to === to ? answered.answer : null, follow };
}
