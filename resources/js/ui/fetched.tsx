import { type ComponentType, lazy, useState } from 'react';

/**
 * A part of the page that is fetched when it is needed. Where it is there already it is shown at once: what suspends even for a moment shows
 * what stands for it meanwhile, and React leaves that for a third of a second.
 */
export function fetched<Props extends object>(load: () => Promise<ComponentType<Props>>) {
    let there: ComponentType<Props> | null = null;
    const fetch = async () => {
        there = await load();
        return { default: there };
    };
    const Later = lazy(fetch);
    const Part = (props: Props) => {
        // Once shown it stays what it is, or what was typed in it would be lost.
        const [Own] = useState<ComponentType<Props>>(() => there ?? Later);
        return <Own {...props} />;
    };
    return Object.assign(Part, { fetch });
}
