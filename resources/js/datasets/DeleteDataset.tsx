import { AlertDialog } from 'radix-ui';
import type { DatasetSummary } from '../api/client';
import { Button } from '../ui/Button';
import { counted } from '../ui/format';
import { useDeleteDataset } from './queries';

/** Deletes a dataset after asking, for it cannot be brought back. */
export function DeleteDataset({ dataset }: { dataset: DatasetSummary }) {
    const remove = useDeleteDataset();
    return (
        <AlertDialog.Root>
            <AlertDialog.Trigger asChild>
                <Button look="quiet" className="font-normal!" aria-label={`Delete ${dataset.title}`}>
                    Delete
                </Button>
            </AlertDialog.Trigger>
            <AlertDialog.Portal>
                <AlertDialog.Overlay className="fixed inset-0 z-30 bg-black/40" />
                <AlertDialog.Content className="fixed top-1/3 left-1/2 z-30 w-[min(30rem,92vw)] -translate-x-1/2 rounded-lg border border-hair-strong bg-surface p-5 shadow-lg">
                    <AlertDialog.Title className="text-lg break-words" dir="auto">
                        Delete “{dataset.title}”?
                    </AlertDialog.Title>
                    <AlertDialog.Description className="mt-2 mb-5 text-soft">
                        Its {counted(dataset.rows, 'row')} and {counted(dataset.variables, 'variable')} go with it and cannot be brought
                        back. The file it came from stays where you have it.
                    </AlertDialog.Description>
                    <div className="flex justify-end gap-3">
                        <AlertDialog.Cancel asChild>
                            <Button>Keep it</Button>
                        </AlertDialog.Cancel>
                        <AlertDialog.Action asChild>
                            <Button look="primary" onClick={() => remove.mutate(dataset.id)}>
                                Delete it
                            </Button>
                        </AlertDialog.Action>
                    </div>
                </AlertDialog.Content>
            </AlertDialog.Portal>
        </AlertDialog.Root>
    );
}
