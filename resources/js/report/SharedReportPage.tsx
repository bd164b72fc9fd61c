import { useEffect } from 'react';
import { Link, Redirect, useParams } from 'wouter';
import { Account } from '../account/Account';
import { Leaving } from '../asking/Sharing';
import { Notice } from '../ui/Notice';
import { TopBar } from '../ui/TopBar';
import { Waiting } from '../ui/Waiting';
import { useReport } from './queries';
import { ReadReport } from './ReadReport';

/** A report for somebody who has a part in it and none in its data. */
export function SharedReportPage() {
    const id = Number(useParams().report);
    const report = useReport(id);
    const title = report.data?.document.title ?? '';
    useEffect(() => {
        document.title = `${title === '' ? 'Report' : title} · Row Tally`;
    }, [title]);
    if (report.data?.data.is_readable === true) {
        return <Redirect to={`/datasets/${report.data.dataset}/report?report=${id}`} replace />;
    }
    return (
        <div className="flex h-full flex-col">
            <TopBar account={<Account />}>
                <h1 dir="auto" title={title} className="min-w-0 truncate text-base">
                    {title}
                </h1>
            </TopBar>
            <main className="min-h-0 flex-1 overflow-y-auto px-6 pb-24 max-sm:px-2">
                <div className="mx-auto max-w-5xl">
                    {report.isPending && <Waiting what="Opening the report" />}
                    {report.isError && (
                        <>
                            <Notice onRetry={() => void report.refetch()}>{report.error.message}</Notice>
                            <Link to="/datasets" className="font-semibold underline underline-offset-4">
                                All datasets
                            </Link>
                        </>
                    )}
                    {report.data !== undefined && (
                        <ReadReport
                            report={report.data}
                            bar={
                                <>
                                    <span className="text-soft">
                                        <bdi>{report.data.data.owner}</bdi> shares it with you.
                                    </span>
                                    <Leaving part={{ title, share: report.data.share }} />
                                </>
                            }
                        />
                    )}
                </div>
            </main>
        </div>
    );
}
