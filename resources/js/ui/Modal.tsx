import { Dialog, Slot } from 'radix-ui';
import type { ReactNode } from 'react';
import { useFocusBack } from './useFocusBack';

interface Props {
    open: boolean;
    onOpenChange: (open: boolean) => void;
    title: string;
    /** Opens it, and gets the focus back. */
    trigger?: ReactNode;
    /** In pixels; less where the window is narrower. */
    width: number;
    children: ReactNode;
}

const place = 'fixed top-1/2 left-1/2 z-40 max-h-[86vh] max-w-[94vw] -translate-x-1/2 -translate-y-1/2';
const look = 'flex flex-col overflow-y-auto rounded border border-rule bg-surface p-5 text-[13px] shadow-pop';

/** Something that is answered before the page goes on: what is in a file, a table that is pasted, the keys. */
export function Modal({ open, onOpenChange, title, trigger, width, children }: Props) {
    const focusBack = useFocusBack(open);
    return (
        <>
            {trigger !== undefined && (
                <Slot.Root aria-haspopup="dialog" aria-expanded={open} onClick={() => onOpenChange(true)}>
                    {trigger}
                </Slot.Root>
            )}
            {/* A closed one is not there: what is kept of it has each page do before its first picture what could wait. */}
            {open && (
                <Dialog.Root open onOpenChange={onOpenChange}>
                    <Dialog.Portal>
                        <Dialog.Overlay className="fixed inset-0 z-30 bg-black/40" />
                        <Dialog.Content
                            aria-describedby={undefined}
                            onCloseAutoFocus={focusBack}
                            style={{ width }}
                            className={`${place} ${look}`}
                        >
                            <Dialog.Title className="mb-2 flex-none truncate text-[17px] font-semibold">
                                {title}
                            </Dialog.Title>
                            {children}
                        </Dialog.Content>
                    </Dialog.Portal>
                </Dialog.Root>
            )}
        </>
    );
}
