/** How cells of numbers stand in the tables of judging. */
export const head = 'px-2 pb-1 text-right font-medium text-soft';
export const cell = 'figures px-2 py-0.5 text-right';

/** Heads of columns of numbers. */
export function Heads({ names }: { names: string[] }) {
    return names.map((name) => (
        <th key={name} scope="col" className={head}>
            {name}
        </th>
    ));
}

/** A table that may be wider than the window: it moves by itself, and the page stays. */
export function Wide({ label, children }: { label: string; children: React.ReactNode }) {
    return (
        <div className="max-w-full min-w-0 overflow-x-auto" tabIndex={0} role="region" aria-label={label}>
            {children}
        </div>
    );
}
