import { act, cleanup, render, screen } from '@testing-library/react';
import { Link, MemoryRouter, useLocation, useSearchParams } from 'react-router';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { useAddressed } from '../../resources/js/ui/useAddressed';

function Field() {
    const [query, setQuery] = useSearchParams();
    const [text, change] = useAddressed('q', query, setQuery);
    return (
        <>
            <input aria-label="Search" value={text} onChange={(event) => change(event.target.value)} />
            <Link to="/">Shelf</Link>
            <output>{useLocation().search}</output>
        </>
    );
}

const mode = globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean };
const field = () => screen.getByLabelText<HTMLInputElement>('Search');
const settled = () => act(async () => {});

/** As a browser does it: what is drawn when there is time is not waited for. */
function type(letter: string) {
    const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;
    set?.call(field(), field().value + letter);
    field().dispatchEvent(new Event('input', { bubbles: true }));
}

beforeEach(() => {
    render(
        <MemoryRouter initialEntries={['/?q=kiln']}>
            <Field />
        </MemoryRouter>,
    );
    mode.IS_REACT_ACT_ENVIRONMENT = false;
});
afterEach(() => {
    mode.IS_REACT_ACT_ENVIRONMENT = true;
    cleanup();
});

test('letters that are typed faster than the address is drawn all stay', async () => {
    expect(field().value).toBe('kiln');
    for (const letter of ' night') {
        type(letter);
    }
    expect(field().value).toBe('kiln night');
    mode.IS_REACT_ACT_ENVIRONMENT = true;
    await settled();
    expect(field().value).toBe('kiln night');
    expect(screen.getByRole('status').textContent).toBe('?q=kiln+night');
});

test('a link to the page as it begins empties the field', async () => {
    type('s');
    mode.IS_REACT_ACT_ENVIRONMENT = true;
    await settled();
    act(() => screen.getByRole('link').click());
    await settled();
    expect(field().value).toBe('');
    expect(screen.getByRole('status').textContent).toBe('');
});
