// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { ChoiceEditor } from '../../resources/js/sheet/ChoiceEditor';
import type { Cell } from '../../resources/js/sheet/rows';
import { step, typedAhead } from '../../resources/js/ui/optionKeys';

const choice = (label: string, group = '', about = ''): Cell['choices'][number] => ({
    label,
    group,
    about,
    rule: { set: label },
});

const few = ['As the host asks', 'MP4', 'MOV', 'Matroska'].map((label) => choice(label));
const many = [
    choice('As the host asks'),
    ...Array.from({ length: 9 }, (_, i) => choice(`Delivery ${i}`, 'Delivery')),
    ...Array.from({ length: 9 }, (_, i) => choice(`Editing ${i}`, 'Editing', i === 4 ? '10-bit 4:2:2' : '')),
];

function open(choices: Cell['choices'], held: string, yours = false) {
    const choose = vi.fn();
    render(
        <ChoiceEditor
            label="Container"
            choices={choices}
            yours={yours}
            holds={(rule) => (rule as { set?: string }).set === held}
            choose={choose}
        />,
    );
    return choose;
}

const active = () => screen.getByRole('option', { selected: true }).textContent;

afterEach(cleanup);

describe('a list of choices', () => {
    test('begins at the one that holds, and keys move to its ends and no further', () => {
        const choose = open(few, 'MOV');
        const list = screen.getByRole('listbox', { name: 'Container' });
        expect(document.activeElement).toBe(list);
        expect(active()).toContain('MOV');
        fireEvent.keyDown(list, { key: 'End' });
        fireEvent.keyDown(list, { key: 'ArrowDown' });
        expect(active()).toContain('Matroska');
        fireEvent.keyDown(list, { key: 'Home' });
        fireEvent.keyDown(list, { key: 'ArrowUp' });
        expect(active()).toContain('As the host asks');
        fireEvent.keyDown(list, { key: 'Enter' });
        expect(choose).toHaveBeenCalledWith({ set: 'As the host asks' });
    });

    test('letters jump, one to the next that begins so, several to the word', () => {
        open(few, 'MP4');
        const list = screen.getByRole('listbox');
        fireEvent.keyDown(list, { key: 'm' });
        expect(active()).toContain('MOV');
        fireEvent.keyDown(list, { key: 'a' });
        expect(active()).toContain('Matroska');
    });

    test('a long one is narrowed by typing, with its groups, and Enter takes the first', () => {
        const choose = open(many, 'Delivery 7');
        const input = screen.getByRole('combobox', { name: 'Find in Container' });
        expect(document.activeElement).toBe(input);
        expect(active()).toContain('Delivery 7');
        fireEvent.change(input, { target: { value: 'editing 10-bit' } });
        expect(screen.getAllByRole('option')).toHaveLength(1);
        fireEvent.keyDown(input, { key: 'Enter' });
        expect(choose).toHaveBeenCalledWith({ set: 'Editing 4' });
        fireEvent.change(input, { target: { value: 'wax' } });
        expect(screen.getByRole('status').textContent).toContain('holds “wax”');
    });

    test('what was changed by hand can be put back first of all', () => {
        const choose = open(few, 'MOV', true);
        const list = screen.getByRole('listbox');
        fireEvent.keyDown(list, { key: 'Home' });
        fireEvent.keyDown(list, { key: 'Enter' });
        expect(choose).toHaveBeenCalledWith(null);
    });
});

test.each([
    ['ArrowDown', 3, 5, 4],
    ['ArrowDown', 4, 5, 4],
    ['ArrowUp', 0, 5, 0],
    ['PageDown', 0, 30, 8],
    ['PageUp', 3, 30, 0],
    ['Home', 3, 5, 0],
    ['End', 0, 5, 4],
    ['x', 0, 5, null],
    ['ArrowDown', 0, 0, null],
])('%s from %i of %i leads to %s', (key, at, count, to) => {
    expect(step(key, at, count)).toBe(to);
});

test('what is typed ahead goes round, and leads nowhere where nothing begins so', () => {
    expect(typedAhead(['a', 'b', 'ab'], 'a', 0)).toBe(2);
    expect(typedAhead(['a', 'b', 'ab'], 'a', 2)).toBe(0);
    expect(typedAhead(['a', 'b', 'ab'], 'ab', 0)).toBe(2);
    expect(typedAhead(['a'], 'x', 0)).toBeNull();
});
