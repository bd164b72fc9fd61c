/** Does something once the screen shows what was pressed: a menu that closes closes at once, however much follows from the choice. */
export function afterPaint(deed: () => void): void {
    requestAnimationFrame(() => setTimeout(deed));
}
