import { Popover as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

interface Props {
    open: boolean;
    onOpenChange: (open: boolean) => void;
    anchor: ReactNode;
    label: string;
    children: ReactNode;
    width?: number;
    align?: 'start' | 'center' | 'end';
}

/** Opens beside its anchor; Esc or a click elsewhere closes it, and the focus goes back. */
export function Popover({ open, onOpenChange, anchor, label, children, width = 300, align = 'start' }: Props) {
    return (
        <Radix.Root open={open} onOpenChange={onOpenChange}>
            <Radix.Anchor asChild>{anchor}</Radix.Anchor>
            <Radix.Portal>
                <Radix.Content
                    aria-label={label}
                    align={align}
                    sideOffset={4}
                    collisionPadding={12}
                    style={{ width }}
                    className="z-30 max-h-[min(560px,var(--radix-popover-content-available-height))] overflow-y-auto rounded border border-rule bg-surface p-3.5 text-[13px] shadow-pop"
                >
                    {children}
                </Radix.Content>
            </Radix.Portal>
        </Radix.Root>
    );
}
