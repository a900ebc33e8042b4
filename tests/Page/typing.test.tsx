import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, test, vi } from 'vitest';
import { Segments } from '../../resources/js/ui/Segments';
import { takesKey } from '../../resources/js/ui/typing';

afterEach(cleanup);

test('the page leaves a key to what has the focus where that makes something of it', () => {
    render(
        <>
            <input aria-label="text" />
            <input aria-label="number" type="number" />
            <input aria-label="radio" type="radio" />
            <input aria-label="checkbox" type="checkbox" />
            <input aria-label="range" type="range" />
            <textarea aria-label="textarea" />
            <select aria-label="select" />
            <button type="button" aria-label="button" />
        </>,
    );
    const taken = ['z', '?', '1', ' ', 'ArrowLeft', 'Home'].map((key) => {
        const fields: string[] = [];
        const look = (event: KeyboardEvent) => {
            takesKey(event) && fields.push((event.target as HTMLElement).getAttribute('aria-label') ?? '');
        };
        window.addEventListener('keydown', look);
        for (const field of document.querySelectorAll('[aria-label]')) {
            fireEvent.keyDown(field, { key });
        }
        window.removeEventListener('keydown', look);
        return [key, fields.join(' ')];
    });
    const letters = 'text number textarea select';
    const all = 'text number radio checkbox range textarea select';
    expect(taken).toEqual([
        ['z', letters],
        ['?', letters],
        ['1', letters],
        [' ', all],
        ['ArrowLeft', all],
        ['Home', all],
    ]);
});

test.each([
    ['the chosen one is', 'vbr', ['VBR']],
    ['all are where none is chosen', '', ['CBR', 'VBR']],
])('of a few side by side, %s reached by Tab', (_, value, reached) => {
    const choose = vi.fn();
    const options = [
        { value: 'cbr', label: 'CBR' },
        { value: 'vbr', label: 'VBR' },
    ];
    render(<Segments label="Mode" value={value} options={options} onChange={choose} />);
    const radios = screen.getAllByRole('radio') as HTMLInputElement[];
    expect(radios.filter(({ tabIndex }) => tabIndex === 0).map((radio) => radio.labels?.[0]?.textContent)).toEqual(
        reached,
    );
    fireEvent.click(screen.getByRole('radio', { name: 'CBR' }));
    expect(choose).toHaveBeenCalledExactlyOnceWith('cbr');
});
