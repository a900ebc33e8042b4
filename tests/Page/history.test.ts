import { beforeEach, describe, expect, test, vi } from 'vitest';
import { empty, keep, recall, stepped, withdrawn } from '../../resources/js/sheet/history';
import { column } from './sheets';

const draft = (...keys: string[]) => ({ range: null, outputs: keys.map((key) => column(key)) });

describe('steps', () => {
    test('that share a name are one; a new step forgets what was taken back', () => {
        const once = stepped(empty, draft('a'), 'typing');
        const twice = stepped(once, draft('b'), 'typing');
        expect(twice.past).toEqual([draft('a')]);
        expect(stepped({ ...twice, future: [draft('z')] }, draft('c'), null)).toEqual({
            past: [draft('a'), draft('c')],
            future: [],
            name: null,
        });
    });

    test('that a cancelled editor made are gone, as if it had never been opened', () => {
        const opened = stepped(empty, draft('a'), null);
        const typed = stepped(stepped(opened, draft('b'), 'one'), draft('c'), 'two');
        expect(withdrawn(typed, draft('d'), draft('b')).past).toEqual([draft('a')]);
        // Back to nothing that was: a step like any other.
        expect(withdrawn(opened, draft('d'), draft('z')).past).toEqual([draft('a'), draft('d')]);
    });

    test('are forgotten beyond sixty, the oldest first', () => {
        let history = empty;
        for (let i = 0; i < 80; i++) {
            history = stepped(history, draft(String(i)), null);
        }
        expect(history.past).toHaveLength(60);
        expect(history.past[0]).toEqual(draft('20'));
    });
});

describe('after a reload', () => {
    beforeEach(() => sessionStorage.clear());

    test('the steps are there as long as the sheet is what they lead to', () => {
        keep(7, { past: [draft('a')], future: [draft('c')], name: 'typing' }, draft('b'));
        expect(recall(7, draft('b'))).toEqual({ past: [draft('a')], future: [draft('c')], name: null });
        expect(recall(7, draft('x'))).toEqual(empty);
        expect(recall(8, draft('b'))).toEqual(empty);
    });

    test('a store that is full or broken costs the steps and nothing else', () => {
        sessionStorage.setItem('outer-crate/history/7', '{not json');
        expect(recall(7, draft('b'))).toEqual(empty);
        vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
            throw new DOMException('full', 'QuotaExceededError');
        });
        expect(() => keep(7, empty, draft('b'))).not.toThrow();
    });
});
