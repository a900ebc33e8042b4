import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { MemoryRouter, useLocation } from 'react-router';
import { afterEach, beforeAll, expect, test } from 'vitest';
import { Modal } from '../../resources/js/ui/Modal';
import { Popover } from '../../resources/js/ui/Popover';
import { useFollow } from '../../resources/js/ui/useFollow';

afterEach(cleanup);
beforeAll(() => {
    globalThis.ResizeObserver ??= class {
        observe() {}
        unobserve() {}
        disconnect() {}
    };
});

function WithPopover() {
    const [open, setOpen] = useState(false);
    const anchor = (
        <button type="button" onClick={() => setOpen(true)}>
            Vary
        </button>
    );
    return (
        <Popover open={open} onOpenChange={setOpen} label="What is varied" anchor={anchor}>
            <input aria-label="Rate" />
        </Popover>
    );
}

function WithModal() {
    const [open, setOpen] = useState(false);
    return (
        <>
            <button type="button" onClick={() => setOpen(true)}>
                Preview
            </button>
            <Modal open={open} onOpenChange={setOpen} title="A preset" width={300}>
                <input aria-label="Name" />
            </Modal>
        </>
    );
}

test.each([
    ['a popover', <WithPopover key="popover" />, 'Vary', 'What is varied', 'Rate'],
    ['a dialog that is opened from elsewhere', <WithModal key="modal" />, 'Preview', 'A preset', 'Name'],
])('%s is there once it is opened, and gives the focus back', async (_, page, button, label, field) => {
    render(page);
    const opener = screen.getByRole('button', { name: button });
    expect(screen.queryByRole('dialog')).toBeNull();
    opener.focus();
    fireEvent.click(opener);
    const dialog = await screen.findByRole('dialog', { name: label });
    await waitFor(() => expect(document.activeElement).toBe(screen.getByLabelText(field)));
    fireEvent.keyDown(dialog, { key: 'Escape' });
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    await waitFor(() => expect(document.activeElement).toBe(screen.getByRole('button', { name: button })));
});

test('a row’s link goes there in the page, and leaves a press for another window to the browser', () => {
    // biome-ignore lint/correctness/noComponentHookFactories: the test defines its own component
    const Row = () => (
        <a href="/compare/tests/4?a=cut&b=1-720" onClick={useFollow()}>
            look
        </a>
    );
    // biome-ignore lint/correctness/noComponentHookFactories: the test defines its own component
    const Where = () => <output>{useLocation().pathname + useLocation().search}</output>;
    render(
        <MemoryRouter initialEntries={['/cuts/1']}>
            <Row />
            <Where />
        </MemoryRouter>,
    );
    const link = screen.getByRole('link', { name: 'look' });
    /** Whether the browser is left to open what was pressed; it is kept from it here. */
    const isLeft = (press: MouseEventInit) => {
        let left = false;
        const late = (event: Event) => {
            left = !event.defaultPrevented;
            event.preventDefault();
        };
        document.addEventListener('click', late, { once: true });
        fireEvent.click(link, press);
        return left;
    };
    expect(isLeft({ ctrlKey: true })).toBe(true);
    expect(screen.getByRole('status').textContent).toBe('/cuts/1');
    expect(isLeft({})).toBe(false);
    expect(screen.getByRole('status').textContent).toBe('/compare/tests/4?a=cut&b=1-720');
});
