import { useState } from 'react';
import { Button } from './Button';
import { chosenTheme, chooseTheme, type Theme } from './theme';

const next: Record<Theme, Theme> = { system: 'light', light: 'dark', dark: 'system' };
const words: Record<Theme, string> = { system: 'as the system', light: 'light', dark: 'dark' };

/** Light, dark, or as the system has it; one press goes on to the next. */
export function ThemeChoice() {
    const [theme, setTheme] = useState(chosenTheme);
    return (
        <Button
            look="quiet"
            className="px-1! font-normal!"
            title="Change between light, dark and the system's choice"
            onClick={() => {
                chooseTheme(next[theme]);
                setTheme(next[theme]);
            }}
        >
            <span>
                Look<span className="max-sm:sr-only">: {words[theme]}</span>
            </span>
        </Button>
    );
}
