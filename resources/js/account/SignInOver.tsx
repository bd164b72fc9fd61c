import { Dialog } from 'radix-ui';
import { SignInForm } from './SignInForm';

/** The form to sign in, over the page. */
export function SignInOver({ email, onSignedIn }: { email: string; onSignedIn: () => void }) {
    return (
        <Dialog.Root open>
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-50 bg-black/30" />
                <Dialog.Content
                    className="fixed top-1/4 left-1/2 z-50 w-[min(92vw,400px)] -translate-x-1/2 rounded-lg border border-hair-strong bg-surface p-6 shadow-lg"
                    onInteractOutside={(event) => event.preventDefault()}
                    onEscapeKeyDown={(event) => event.preventDefault()}
                >
                    <Dialog.Title className="text-title">Sign in again</Dialog.Title>
                    <Dialog.Description className="mt-1 mb-4 text-soft">
                        The session has ended. What is on this page is still here, and goes on where it was.
                    </Dialog.Description>
                    <SignInForm email={email} onSignedIn={onSignedIn} />
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    );
}
