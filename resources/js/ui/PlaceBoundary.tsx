import { Component, type ReactNode } from 'react';
import { Notice } from './Notice';

/** Around each place: what breaks while it is drawn says so there, and the other places stay open. `place` changing draws anew. */
export class PlaceBoundary extends Component<{ place: string; children: ReactNode }, { broken: Error | null }> {
    override state: { broken: Error | null } = { broken: null };

    static getDerivedStateFromError(broken: Error) {
        return { broken };
    }

    override componentDidUpdate(before: { place: string }) {
        if (before.place !== this.props.place && this.state.broken !== null) {
            this.setState({ broken: null });
        }
    }

    override render() {
        const { broken } = this.state;
        return broken === null ? (
            this.props.children
        ) : (
            <main className="p-8">
                <Notice onRetry={() => this.setState({ broken: null })}>
                    This place could not be drawn ({broken.message}). Nothing is lost. If it stays so, tell whoever runs this server.
                </Notice>
                <a href="/datasets" className="font-semibold underline decoration-accent decoration-2 underline-offset-4">
                    All datasets
                </a>
            </main>
        );
    }
}
