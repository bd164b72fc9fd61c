import { Link } from 'wouter';
import { useSharedReports } from '../api/reports';
import { moment } from '../ui/format';

/** Reports that others share with the account, each by itself. */
export function SharedReports() {
    const reports = useSharedReports();
    return reports.data === undefined || reports.data.length === 0 ? null : (
        <section aria-labelledby="shared-reports" className="mt-10">
            <h2 id="shared-reports" className="mb-2 text-base font-semibold">
                Reports shared with you
            </h2>
            <ul>
                {reports.data.map(({ id, title, owner, role, changed_at }) => (
                    <li key={id} className="flex flex-wrap items-baseline gap-x-4 border-b border-hair py-2">
                        <Link to={`/reports/${id}`} dir="auto" className="font-semibold underline-offset-4 hover:underline">
                            {title}
                        </Link>
                        <span className="text-small text-soft">
                            of <bdi>{owner}</bdi>, to {role === 'reader' ? 'read' : 'change'}; last changed {moment(changed_at)}
                        </span>
                    </li>
                ))}
            </ul>
        </section>
    );
}
