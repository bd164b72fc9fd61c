import type { ReactNode } from 'react';
import { Link } from 'wouter';
import { Button } from './Button';
import { showKeys } from './Keys';
import { Logo } from './Logo';
import { ThemeChoice } from './ThemeChoice';

/** The bar over every screen: the way home, what is open, and the account. */
export function TopBar({ children, account }: { children?: ReactNode; account?: ReactNode }) {
    return (
        <header className="flex h-13 shrink-0 items-center gap-x-5 border-b border-hair bg-surface px-4.5 max-[72rem]:h-auto max-[72rem]:min-h-13 max-[72rem]:flex-wrap">
            <Link to="/datasets" aria-label="Row Tally: all datasets" title="All datasets">
                <Logo />
            </Link>
            {/* In a narrow window what is open stands on a line of its own. */}
            <div className="flex min-w-0 flex-1 items-center gap-5 self-stretch max-[72rem]:order-last max-[72rem]:min-h-11 max-[72rem]:basis-full max-[72rem]:flex-wrap max-[72rem]:gap-x-5 max-[72rem]:gap-y-0 max-[72rem]:empty:hidden max-md:[&>h1]:basis-full">
                {children}
            </div>
            <div className="ml-auto flex shrink-0 items-center gap-4 text-soft">
                <Link to="/guide" className="px-1 hover:text-ink max-[26rem]:hidden">
                    Guide
                </Link>
                <Button look="quiet" className="px-1! font-normal! max-md:hidden" aria-haspopup="dialog" onClick={showKeys}>
                    Keys
                </Button>
                <ThemeChoice />
                {account}
            </div>
        </header>
    );
}
