import { type Contract, kindOf, nameOf, type Shape } from './contract';

/** How a link stands in the text of this page. */
export const link = 'inline-flex min-h-6 items-center underline decoration-hair-strong underline-offset-4 hover:decoration-accent';

/** What is sent or answered: each part with its kind and what it says. A shape with a name of its own is linked. */
export function ShapeView({ shape, isNamed = false }: { shape: Shape; isNamed?: boolean }) {
    if (shape.$ref !== undefined) {
        return (
            <a className={link} href={`#shape-${nameOf(shape.$ref)}`}>
                {nameOf(shape.$ref)}
            </a>
        );
    }
    const either = shape.oneOf ?? shape.anyOf ?? shape.allOf;
    if (either !== undefined) {
        return (
            <>
                <span className="text-soft">{shape.allOf === undefined ? 'one of' : 'all of'}</span>
                <ul className="ml-4">
                    {either.map((one, index) => (
                        <li key={index}>
                            <ShapeView shape={one} />
                        </li>
                    ))}
                </ul>
            </>
        );
    }
    if (shape.items !== undefined) {
        return (
            <>
                <span className="text-soft">a list{shape.maxItems !== undefined && `, at most ${shape.maxItems}`}, each </span>
                <ShapeView shape={shape.items} />
            </>
        );
    }
    if (shape.properties !== undefined) {
        return (
            <dl className={isNamed ? '' : 'ml-4'}>
                {Object.entries(shape.properties).map(([name, part]) => (
                    <div key={name} className="border-l border-hair py-0.5 pl-3">
                        <dt className="inline font-figures text-small font-semibold wrap-anywhere">{name}</dt>
                        <dd className="inline">
                            {shape.required?.includes(name) !== true && <span className="text-soft"> (may be left out)</span>}{' '}
                            <ShapeView shape={part} />
                        </dd>
                    </div>
                ))}
            </dl>
        );
    }
    return (
        <span className="wrap-anywhere">
            <span className="text-soft">{kindOf(shape)}</span>
            {shape.maxLength !== undefined && <span className="text-soft">, at most {shape.maxLength} characters</span>}
            {shape.description !== undefined && !isNamed && <span>. {shape.description}</span>}
        </span>
    );
}

/** Every shape that has a name. */
export function Shapes({ contract }: { contract: Contract }) {
    return (
        <section aria-labelledby="shapes" className="py-6">
            <h2 id="shapes" className="mb-3 text-title">
                Shapes
            </h2>
            {Object.entries(contract.components.schemas).map(([name, shape]) => (
                <div key={name} id={`shape-${name}`} className="scroll-mt-4 border-b border-hair py-3 last:border-b-0">
                    <h3 className="font-figures text-small font-semibold">{name}</h3>
                    {shape.description !== undefined && <p className="text-soft">{shape.description}</p>}
                    <ShapeView shape={shape} isNamed />
                </div>
            ))}
        </section>
    );
}
