/** What stands beside and below the figures of a sheet, which come first. */
export { AskLine } from './AskLine';
export { ClassesPart } from './ClassesPart';
export { FrequencyTable } from './FrequencyTable';
export { JudgePart } from './JudgePart';
export { MorePlots } from './MorePlots';
export { ScenesPart } from '../asking/ScenesPart';
export { StackPart } from './StackPart';
export { WhatItSays } from './WhatItSays';
