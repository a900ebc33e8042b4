import { cleanup, render, screen } from '@testing-library/react';
import { useLayoutEffect } from 'react';
import { afterEach, expect, test } from 'vitest';
import { Later, Loaded } from '../../resources/js/later';

afterEach(cleanup);

const Page = () => <h1>The page</h1>;

test('a page whose script comes between the drawing and the look after it is shown', async () => {
    const page = new Later(async () => ({ default: Page }));
    // biome-ignore lint/correctness/noComponentHookFactories: the test defines its own component
    function Between() {
        useLayoutEffect(() => {
            page.Page = Page;
        }, []);
        return <Loaded page={page} what="the page" />;
    }
    render(<Between />);
    expect(await screen.findByRole('heading', { name: 'The page' })).toBeTruthy();
});

test('a page whose script is there is shown at once, and one that cannot come says so', async () => {
    const there = new Later(async () => ({ default: Page }));
    await there.ahead();
    render(<Loaded page={there} what="the page" />);
    expect(screen.getByRole('heading', { name: 'The page' })).toBeTruthy();
    render(<Loaded page={new Later(() => Promise.reject(new Error('gone')))} what="another" />);
    expect(await screen.findByText(/could not be loaded/)).toBeTruthy();
});
