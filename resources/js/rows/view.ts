/** What is seen of the rows: kept in the address, so that a reload and the back button give the same screen. */
export interface View {
    /** A condition; '' = all rows. */
    where: string;
    /** What the condition calls an outlier: the rule for quartiles and how many IQR out the fences are; '' = the server's default. */
    quartiles: string;
    fences: string;
    /** Key of a variable, with `:down` behind it for the largest first; '' = as they were entered. */
    sort: string;
    hidden: string[];
    panel: Panel | null;
    /** The variable that the panel is about. */
    variable: string | null;
}

export const panels = ['variable', 'check', 'make', 'changes', 'out'] as const;
export type Panel = (typeof panels)[number];

export function readView(address: URLSearchParams): View {
    const panel = address.get('panel');
    return {
        where: address.get('where') ?? '',
        quartiles: address.get('quartiles') ?? '',
        fences: address.get('fences') ?? '',
        sort: address.get('sort') ?? '',
        hidden: (address.get('hide') ?? '').split(',').filter((key) => key !== ''),
        panel: panels.find((known) => known === panel) ?? null,
        variable: address.get('variable'),
    };
}

export function writeView(view: View): URLSearchParams {
    const address = new URLSearchParams();
    const words = {
        where: view.where,
        quartiles: view.quartiles,
        fences: view.fences,
        sort: view.sort,
        hide: view.hidden.join(','),
        panel: view.panel ?? '',
        variable: view.variable ?? '',
    };
    for (const [key, value] of Object.entries(words)) {
        if (value !== '') {
            address.set(key, value);
        }
    }
    return address;
}

/** Whether a condition asks for outliers, which depends on fences. */
export function asksForOutliers(where: string): boolean {
    return /\boutlier\s*\(/i.test(where);
}
