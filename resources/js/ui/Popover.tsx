import { Popover as Radix, Slot } from 'radix-ui';
import { type ReactNode, type RefObject, useRef } from 'react';
import { isTyped } from './typing';
import { useFocusBack } from './useFocusBack';

interface Props {
    open: boolean;
    onOpenChange: (open: boolean) => void;
    /** A field that is typed in was entered; and Esc was pressed in one, which closes it, too. */
    onType?: () => void;
    onCancel?: () => void;
    anchor: ReactNode;
    label: string;
    children: ReactNode;
    width?: number;
    /** Where it opens when there is room on both sides. */
    side?: 'top' | 'bottom';
    align?: 'start' | 'center' | 'end';
    /** As tall as the window allows. */
    tall?: boolean;
    /** Pixels at the bottom of the window that it leaves in sight. */
    clear?: number;
}

const look = 'z-30 overflow-y-auto rounded border border-rule bg-surface p-3.5 text-[13px] shadow-pop';
const TALL = 'max-h-[var(--radix-popover-content-available-height)]';
const USUAL = 'max-h-[min(560px,var(--radix-popover-content-available-height))]';

/** Opens beside its anchor; Esc or a click elsewhere closes it, and the focus goes back. */
export function Popover({
    open,
    onOpenChange,
    onType,
    onCancel,
    anchor,
    label,
    children,
    width = 300,
    side = 'bottom',
    align = 'start',
    tall,
    clear = 12,
}: Props) {
    const held = useRef<HTMLElement>(null);
    const focusBack = useFocusBack(open);
    return (
        <>
            <Slot.Root ref={held}>{anchor}</Slot.Root>
            {/* A page has dozens of them, nearly all closed: until one is opened, it is its anchor and nothing more. */}
            {open && (
                <Radix.Root open onOpenChange={onOpenChange}>
                    <Radix.Anchor virtualRef={held as RefObject<HTMLElement>} />
                    <Radix.Portal>
                        <Radix.Content
                            aria-label={label}
                            onFocusCapture={(event) => isTyped(event.target) && onType?.()}
                            onEscapeKeyDown={(event) => isTyped(event.target) && onCancel?.()}
                            onCloseAutoFocus={focusBack}
                            side={side}
                            align={align}
                            sideOffset={4}
                            collisionPadding={{ top: 12, left: 12, right: 12, bottom: clear }}
                            style={{ width }}
                            className={`${look} ${tall ? TALL : USUAL}`}
                        >
                            {children}
                        </Radix.Content>
                    </Radix.Portal>
                </Radix.Root>
            )}
        </>
    );
}
