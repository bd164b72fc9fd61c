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
