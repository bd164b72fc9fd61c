import type { Dataset } from '../api/client';
import type { ChangeWords } from './changes';

/** What every way of making a variable is given. */
export interface Parts {
    dataset: Dataset;
    onChange: (change: ChangeWords) => Promise<boolean>;
    isBusy: boolean;
}

/** The number variables, to choose from. */
export function numberChoices(dataset: Dataset) {
    return dataset.variables.filter(({ type }) => type === 'number').map(({ key, name }) => ({ value: key, words: name }));
}
