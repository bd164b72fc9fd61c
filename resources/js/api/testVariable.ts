import type { Scene, Variable } from './client';

export const noScene: Scene = {
    width: 64,
    height: 20,
    title: '',
    sentences: [],
    caption: '',
    marks: [],
    axes: [],
    steps: [],
    table: [],
    plain: '',
    notes: [],
};

/** A variable as tests need it, without values. */
export function testVariable(key: string, type: Variable['type']): Variable {
    return {
        key,
        name: key,
        type,
        unit: null,
        label: null,
        description: null,
        missing_marks: [],
        made: null,
        decimals: null,
        shown_decimals: null,
        missing: 0,
        unread: 0,
        micro: noScene,
        labels: null,
    };
}
