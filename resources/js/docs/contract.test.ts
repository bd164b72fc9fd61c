import { describe, expect, it } from 'vitest';
import { type Call, callsOf, type Contract, kindOf, lineOf } from './contract';

const call = (method: string, path: string, example?: object): Call => ({
    method,
    path,
    parameters: [],
    operation: {
        operationId: 'x',
        tags: ['X'],
        summary: '',
        security: [],
        responses: {},
        ...(example === undefined ? {} : { 'x-example': example }),
    },
});

describe('lineOf', () => {
    it('makes a line for a shell', () => {
        expect(lineOf(call('GET', '/datasets/{dataset}'))).toBe('api datasets/$dataset');
        expect(lineOf(call('GET', '/rows', { query: 'where="kg" > 20&count=10' }))).toBe(
            `api rows -G --data-urlencode 'where="kg" > 20' --data-urlencode 'count=10'`,
        );
        expect(lineOf(call('POST', '/kept', { body: { title: "Ida's" } }))).toBe(`api kept --json '{"title":"Ida'\\''s"}'`);
        expect(lineOf(call('PUT', '/place', { body: { place: null } }))).toBe(`api place --json '{"place":null}' -X PUT`);
        expect(lineOf(call('POST', '/imports', { form: ['file=@a.csv', 'begin=1'] }))).toBe(`api imports -F 'file=@a.csv' -F 'begin=1'`);
        expect(lineOf(call('POST', '/shares/{share}/take'))).toBe('api shares/$share/take -X POST');
    });
});

describe('callsOf', () => {
    it('is in the order of the tags, and gives a call what its path asks for', () => {
        const shared = { name: 'dataset', in: 'path', schema: { type: 'integer' } };
        const contract = {
            tags: [{ name: 'Y' }, { name: 'X' }],
            paths: {
                '/a': { parameters: [{ $ref: '#/components/parameters/dataset' }], get: call('GET', '/a').operation },
                '/b': { post: { ...call('POST', '/b').operation, tags: ['Y'] } },
            },
            components: { parameters: { dataset: shared } },
        } as unknown as Contract;
        expect([...callsOf(contract).keys()]).toEqual(['Y', 'X']);
        expect(callsOf(contract).get('X')?.[0]?.parameters).toEqual([shared]);
    });
});

describe('kindOf', () => {
    it('says kinds in words', () => {
        expect(kindOf({ type: ['integer', 'null'] })).toBe('whole number or null');
        expect(kindOf({ type: 'string', enum: ['', 'a'] })).toBe('nothing, a');
    });
});
