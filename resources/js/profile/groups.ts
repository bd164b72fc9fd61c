import type { Profile } from '../api/client';

/** How a group is called on screen; rows without a label have a name in words, and a blank label is shown in marks. */
export function groupName(group: Profile['groups'][number]): string {
    if (group.label === null) {
        return 'no entry';
    }
    return group.label.trim() === '' ? `“${group.label}”` : group.label;
}
