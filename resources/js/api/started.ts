import type { Dataset, FigureChoices, Overview, Profile, QuestionWords, Session } from './client';

interface Started {
    session?: Session;
    dataset?: Dataset;
    figures?: FigureChoices;
    answered?: { words: QuestionWords; answer: Profile | Overview } | null;
}

let cameWith: Started | null = null;

/** What came with the page, so that it need not be asked for: nothing where nobody is signed in. */
export function started(): Started {
    cameWith ??= JSON.parse(document.querySelector('#started')?.textContent ?? '{}') as Started;
    return cameWith;
}

/** The answer to the question in the address, for whoever asks it first: the same words may mean something else later. */
export function takeAnswered(revision: number | undefined, words: QuestionWords): Profile | Overview | undefined {
    const { answered } = started();
    const said = Object.entries(answered?.words ?? {});
    const isAsked =
        said.length === Object.keys(words).length &&
        said.every(([name, word]) => Object.entries(words).some(([own, asked]) => own === name && asked === word));
    if (answered === undefined || answered === null || answered.answer.revision !== revision || !isAsked) {
        return undefined;
    }
    started().answered = null;
    return answered.answer;
}
