import { expect, test } from 'vitest';
import type { Topic } from '../api/client';
import { found, topicsAbout } from './guide';

const topic = (key: string, title: string, what: string, of: string[] = [key]): Topic => ({
    key,
    kind: 'figure',
    title,
    symbol: '',
    what,
    parts: [],
    choices: [],
    of,
});
const topics = [
    topic('mean', 'Mean', 'Far from the median where there is a tail.'),
    topic('median', 'Median', 'The middle value.'),
    topic('percentile', 'Percentile', 'So many lie below.'),
];

test('pages are found by every word, titles first', () => {
    expect(found(topics, 'MEDIAN').map(({ key }) => key)).toEqual(['median', 'mean']);
    expect(found(topics, 'median tail').map(({ key }) => key)).toEqual(['mean']);
    expect(found(topics, 'nothing')).toEqual([]);
    expect(found(topics, ' ')).toHaveLength(3);
});

test('a figure leads to its page, any percentile to that of percentiles', () => {
    expect(topicsAbout(topics, { kind: 'figure', of: 'mean' }).map(({ key }) => key)).toEqual(['mean']);
    expect(topicsAbout(topics, { kind: 'figure', of: 'percentile_2.5' }).map(({ key }) => key)).toEqual(['percentile']);
    expect(topicsAbout(topics, { kind: 'picture', of: 'mean' })).toEqual([]);
    expect(topicsAbout(topics, { kind: 'figure', of: null })).toHaveLength(3);
});
