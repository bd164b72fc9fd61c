import type { Profile } from '../api/client';

/** How a group is called on screen; rows without a label have a name in words, and a blank label is shown in marks. */
export function groupName(group: Profile['groups'][number]): string {
    return group.labels.map(labelName).join(' · ');
}

export function labelName(label: string | null): string {
    if (label === null) {
        return 'no entry';
    }
    return label.trim() === '' ? `“${label}”` : label;
}
