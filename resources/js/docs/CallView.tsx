import { copyText } from '../ui/copying';
import { type Call, type Contract, lineOf, named, scopeOf } from './contract';
import { ShapeView } from './ShapeView';

/** One call: what it does, what it takes, what it answers, and as a line for a shell. */
export function CallView({ call, contract }: { call: Call; contract: Contract }) {
    const { method, path, parameters, operation } = call;
    const scope = scopeOf(operation);
    const body = Object.entries(operation.requestBody?.content ?? {});
    const asked = parameters.filter((one) => one.in === 'query');
    return (
        <details id={operation.operationId} className="scroll-mt-4 border-b border-hair py-1 last:border-b-0">
            <summary className="min-h-6 cursor-pointer py-1">
                <span className="font-figures text-small font-semibold wrap-anywhere">
                    {method} {path}
                </span>
                <span className="ml-3">{operation.summary}</span>
            </summary>
            <div className="space-y-3 pb-4 pl-4">
                {operation.description !== undefined && operation.description !== operation.summary && <p>{operation.description}</p>}
                <p className="text-soft">
                    {scope !== null && (
                        <>
                            A token needs the scope <strong className="text-ink">{scope}</strong>.
                        </>
                    )}
                    {scope === null && operation.security.length > 0 && 'No token may do this: it is done on the page, signed in.'}
                    {operation.security.length === 0 && 'For everybody: no token is needed.'}
                </p>
                {scope !== null && <ShellLine line={lineOf(call)} name={operation.operationId} />}
                {asked.length > 0 && (
                    <div>
                        <h3 className="font-semibold">Words of the address</h3>
                        <dl>
                            {asked.map((one) => (
                                <div key={one.name} className="border-l border-hair py-0.5 pl-3">
                                    <dt className="inline font-figures text-small font-semibold">
                                        {one.explode === true ? '…' : one.name}
                                    </dt>
                                    <dd className="inline">
                                        {one.required !== true && one.explode !== true && (
                                            <span className="text-soft"> (may be left out)</span>
                                        )}{' '}
                                        {one.description !== undefined && <span>{one.description} </span>}
                                        <ShapeView shape={one.schema} />
                                    </dd>
                                </div>
                            ))}
                        </dl>
                    </div>
                )}
                {body.map(([kind, { schema }]) => (
                    <div key={kind}>
                        <h3 className="font-semibold">
                            Sent as <span className="font-figures text-small">{kind}</span>
                        </h3>
                        <ShapeView shape={schema} />
                    </div>
                ))}
                <div>
                    <h3 className="font-semibold">Answers</h3>
                    <ul>
                        {Object.entries(operation.responses).map(([status, answer]) => {
                            const whole = answer.$ref === undefined ? answer : named(contract.components.responses, answer.$ref);
                            return (
                                <li key={status} className="border-l border-hair py-0.5 pl-3">
                                    <strong className="font-figures text-small">{status}</strong> {whole.description}{' '}
                                    {status.startsWith('2') &&
                                        Object.entries(whole.content ?? {}).map(([kind, { schema }]) =>
                                            kind === 'application/json' ? (
                                                <ShapeView key={kind} shape={schema} />
                                            ) : (
                                                <span key={kind} className="font-figures text-small text-soft">
                                                    {kind}{' '}
                                                </span>
                                            ),
                                        )}
                                </li>
                            );
                        })}
                    </ul>
                </div>
            </div>
        </details>
    );
}

/** Lines for a shell, to be copied. */
export function ShellLine({ line, name }: { line: string; name: string }) {
    return (
        <div className="flex items-start gap-3 border border-hair bg-surface p-3">
            <pre className="min-w-0 flex-1 font-figures text-small whitespace-pre-wrap wrap-anywhere">{line}</pre>
            <button
                type="button"
                className="min-h-6 text-small text-soft underline-offset-4 hover:text-ink hover:underline"
                aria-label={`Copy: ${name}`}
                onClick={() => void copyText(line, name)}
            >
                Copy
            </button>
        </div>
    );
}
