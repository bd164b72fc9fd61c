/** The contract as the page reads it: OpenAPI 3.1, of which only what is used here is named. */
export interface Shape {
    $ref?: string;
    type?: string | string[];
    enum?: (string | number | null)[];
    const?: string | number;
    description?: string;
    items?: Shape;
    properties?: Record<string, Shape>;
    required?: string[];
    additionalProperties?: boolean | Shape;
    oneOf?: Shape[];
    anyOf?: Shape[];
    allOf?: Shape[];
    maxLength?: number;
    maxItems?: number;
    format?: string;
}

export interface Parameter {
    $ref?: string;
    name: string;
    in: string;
    required?: boolean;
    description?: string;
    explode?: boolean;
    schema: Shape;
}

export interface Example {
    query?: string;
    body?: unknown;
    form?: string[];
}

export interface Answer {
    $ref?: string;
    description?: string;
    content?: Record<string, { schema: Shape }>;
}

export interface Operation {
    operationId: string;
    tags: string[];
    summary: string;
    description?: string;
    security: Record<string, string[]>[];
    parameters?: Parameter[];
    requestBody?: { content: Record<string, { schema: Shape }> };
    responses: Record<string, Answer>;
    'x-example'?: Example;
}

export interface Contract {
    info: { version: string; 'x-lines': string };
    /** In the order in which they are read. */
    tags: { name: string }[];
    paths: Record<string, Record<string, Operation | Parameter[]>>;
    components: {
        schemas: Record<string, Shape>;
        parameters: Record<string, Parameter>;
        responses: Record<string, Answer>;
    };
}

export interface Call {
    method: string;
    path: string;
    /** Of the path and of the operation. */
    parameters: Parameter[];
    operation: Operation;
}

/** All calls by what they are about. */
export function callsOf(contract: Contract): Map<string, Call[]> {
    const groups = new Map<string, Call[]>(contract.tags.map(({ name }) => [name, []]));
    for (const [path, of] of Object.entries(contract.paths)) {
        const shared = (of.parameters ?? []) as Parameter[];
        for (const [method, operation] of Object.entries(of)) {
            if (!Array.isArray(operation)) {
                const parameters = [...shared, ...(operation.parameters ?? [])].map((one) =>
                    one.$ref === undefined ? one : named(contract.components.parameters, one.$ref),
                );
                const tag = operation.tags[0] ?? '';
                groups.set(tag, [...(groups.get(tag) ?? []), { method: method.toUpperCase(), path, parameters, operation }]);
            }
        }
    }
    return groups;
}

export function nameOf($ref: string): string {
    return $ref.slice($ref.lastIndexOf('/') + 1);
}

export function named<T>(all: Record<string, T>, $ref: string): T {
    const found = all[nameOf($ref)];
    if (found === undefined) {
        throw new Error(`The contract has no ${$ref}.`);
    }
    return found;
}

/** The scope that a token needs; null where none will do or none is needed. */
export function scopeOf({ security }: Operation): string | null {
    return security.find((one) => 'token' in one)?.token?.[0] ?? null;
}

/** Kinds of values in plain words. */
export function kindOf(shape: Shape): string {
    if (shape.enum !== undefined) {
        return shape.enum.map((value) => (value === '' ? 'nothing' : String(value))).join(', ');
    }
    const kinds = [shape.type ?? []].flat().map(
        (type) =>
            ({
                string: 'text',
                integer: 'whole number',
                number: 'number',
                boolean: 'true or false',
                null: 'null',
                array: 'list',
                object: 'object',
            })[type] ?? type,
    );
    return kinds.join(' or ');
}

function quoted(text: string): string {
    return `'${text.replaceAll("'", "'\\''")}'`;
}

/** The call as a line for a shell. `api` is the function of the lines at the top of the page. */
export function lineOf({ method, path, operation }: Call): string {
    const example = operation['x-example'] ?? {};
    const address = path.slice(1).replace(/\{(\w+)\}/g, (_, name: string) => `$${name}`);
    const words = (example.query ?? '').split('&').filter((word) => word !== '');
    return [
        'api',
        address,
        ...(words.length > 0 ? ['-G', ...words.map((word) => `--data-urlencode ${quoted(word)}`)] : []),
        ...(example.form ?? []).map((field) => `-F ${quoted(field)}`),
        ...(example.body === undefined ? [] : [`--json ${quoted(JSON.stringify(example.body))}`]),
        ...(method === 'GET' || (method === 'POST' && (example.body !== undefined || example.form !== undefined)) ? [] : [`-X ${method}`]),
    ].join(' ');
}
