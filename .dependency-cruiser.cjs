/** Who may import what in the page: the drawing in ARCHITECTURE.md as rules. */
module.exports = {
    forbidden: [
        {
            name: 'no-place-imports-another',
            comment:
                'A place uses plot, ui and api; what two places share belongs there. The account shows on every screen, and data are brought in from the list of datasets.',
            severity: 'error',
            from: { path: '^resources/js/(datasets|intake|rows|profile|compare|report|check|guide)/' },
            to: {
                path: '^resources/js/(datasets|intake|rows|profile|compare|report|check|guide|account)/',
                pathNot: '^resources/js/$1/|^resources/js/account/Account.tsx$|^resources/js/intake/BringIn.tsx$',
            },
        },
        {
            name: 'plot-knows-no-place',
            severity: 'error',
            from: { path: '^resources/js/plot/' },
            to: { path: '^resources/js/(datasets|intake|rows|profile|compare|report|account)/' },
        },
        {
            name: 'ui-knows-nothing',
            severity: 'error',
            from: { path: '^resources/js/ui/' },
            to: { path: '^resources/js/(asking|writing|datasets|intake|rows|profile|compare|report|account|plot|api)/' },
        },
        {
            name: 'asking-knows-no-place',
            comment: 'What a question is and how its answers are shown, where several places ask.',
            severity: 'error',
            from: { path: '^resources/js/asking/' },
            to: { path: '^resources/js/(datasets|intake|rows|profile|compare|report|account)/' },
        },
        {
            name: 'writing-knows-no-place',
            severity: 'error',
            from: { path: '^resources/js/writing/' },
            to: { path: '^resources/js/(datasets|intake|rows|profile|compare|report|account)/' },
        },
        { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    ],
    options: { tsConfig: { fileName: 'tsconfig.json' }, doNotFollow: { path: 'node_modules' }, tsPreCompilationDeps: true },
};
