import { useEffect } from 'react';
import { Link } from 'wouter';
import { Account } from '../account/Account';
import { Notice } from '../ui/Notice';
import { TopBar } from '../ui/TopBar';
import { Waiting } from '../ui/Waiting';
import { DatasetList } from './DatasetList';
import { Offered } from './Offered';
import { SharedReports } from './SharedReports';
import { BringIn } from '../intake/BringIn';
import { LookAroundOffer } from '../asking/LookAround';
import { useDatasets } from '../api/datasets';

export function DatasetsPage() {
    const datasets = useDatasets();
    useEffect(() => {
        document.title = 'Datasets · Row Tally';
    }, []);
    return (
        <div className="flex h-full flex-col">
            <TopBar account={<Account />}>
                <span className="font-head text-base font-semibold">Row Tally</span>
            </TopBar>
            <main className="min-h-0 flex-1 overflow-y-auto">
                <div className="mx-auto max-w-5xl px-6 py-8">
                    <BringIn />
                    <LookAroundOffer />
                    <Offered />
                    <h1 className="mt-10 mb-3 text-title">Datasets</h1>
                    {datasets.isError && <Notice onRetry={() => void datasets.refetch()}>{datasets.error.message}</Notice>}
                    {datasets.isPending && <Waiting what="Reading the list" />}
                    {datasets.data !== undefined && <DatasetList datasets={datasets.data} />}
                    <SharedReports />
                    {!datasets.isPending && <Beside />}
                </div>
            </main>
        </div>
    );
}

/** What else there is; below the list, which comes first. */
function Beside() {
    return (
        <>
            <p className="mt-8 text-small text-soft">
                You work on them with others?{' '}
                <Link to="/teams" className="font-semibold text-ink underline decoration-accent decoration-2 underline-offset-4">
                    Teams
                </Link>{' '}
                own datasets together.
            </p>
            <p className="mt-2 text-small text-soft">
                Somebody has given you a report?{' '}
                <Link to="/check" className="font-semibold text-ink underline decoration-accent decoration-2 underline-offset-4">
                    Check it
                </Link>
                : every figure is worked out anew.
            </p>
            <p className="mt-2 text-small text-soft">
                What does a figure mean, and how does it mislead? The{' '}
                <Link to="/guide" className="font-semibold text-ink underline decoration-accent decoration-2 underline-offset-4">
                    guide
                </Link>{' '}
                has a short page of each.
            </p>
        </>
    );
}
