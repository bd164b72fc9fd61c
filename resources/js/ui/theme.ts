export type Theme = 'system' | 'light' | 'dark';

const KEY = 'rowtally.theme';
const systemIsDark = window.matchMedia('(prefers-color-scheme: dark)');

export function chosenTheme(): Theme {
    const kept = localStorage.getItem(KEY);
    return kept === 'light' || kept === 'dark' ? kept : 'system';
}

export function chooseTheme(theme: Theme): void {
    localStorage.setItem(KEY, theme);
    applyTheme();
}

export function applyTheme(): void {
    const theme = chosenTheme();
    const isDark = theme === 'dark' || (theme === 'system' && systemIsDark.matches);
    const look = isDark ? 'dark' : 'light';
    document.documentElement.dataset.theme = look;
    // For what the server draws the next time.
    document.cookie = `look=${look}; path=/; max-age=31536000; samesite=lax`;
}

systemIsDark.addEventListener('change', applyTheme);
