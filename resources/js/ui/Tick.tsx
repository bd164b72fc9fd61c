export function Tick() {
    return (
        <svg
            width="12"
            height="12"
            viewBox="0 0 12 12"
            aria-hidden="true"
            fill="none"
            stroke="currentColor"
            strokeWidth="2.2"
            strokeLinecap="round"
        >
            <path d="M2 6.4 4.8 9.2 10 3" />
        </svg>
    );
}
