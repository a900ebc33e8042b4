import { describe, expect, test } from 'vitest';
import type { PresetCard } from '../../resources/js/api/types';
import { everything, found } from '../../resources/js/presets/found';
import { holds, plain } from '../../resources/js/ui/search';

const card = (name: string, more: Partial<PresetCard> = {}): PresetCard => ({
    slug: name.toLowerCase().replaceAll(' ', '-'),
    name,
    role: 'upload',
    host: null,
    hostName: null,
    about: '',
    tags: [],
    version: 1,
    shipped: true,
    favourite: false,
    uses: 0,
    usedAt: null,
    defaultFor: [],
    key: null,
    words: '',
    ...more,
});

const presets = [
    card('Lanternwick, lifted', { host: 'lanternwick', hostName: 'Lanternwick', words: 'h.264 high inside 3840×2160' }),
    card('Slow line', { words: 'h.265 (hevc) hevc constant quality 24', tags: ['small'] }),
    card('Lossless vault', { role: 'master', words: 'ffv1 matroska', about: 'For the café’s archive' }),
    card('Kiln pieces', { shipped: false, favourite: true, words: 'hevc' }),
];

test.each([
    ['', 4],
    ['hevc small', 1],
    ['small HEVC', 1],
    ['2160 lanternwick', 1],
    ['3840x2160', 1],
    ['master', 1],
    ['cafe', 1],
    ['ffv1 lanternwick', 0],
    ['   ', 4],
])('“%s” finds %i', (sought, count) => {
    expect(found(presets, sought)).toHaveLength(count);
});

test('filters narrow what is found, and the order stays', () => {
    expect(found(presets, 'hevc', { ...everything, only: 'own' }).map(({ name }) => name)).toEqual(['Kiln pieces']);
    expect(found(presets, '', { ...everything, role: 'upload' }).map(({ name }) => name)).toEqual([
        'Lanternwick, lifted',
        'Slow line',
        'Kiln pieces',
    ]);
    expect(found(presets, '', { ...everything, host: 'lanternwick', only: 'marked' })).toEqual([]);
});

describe('words', () => {
    test('are found without accents, capitals and in any order', () => {
        expect(plain('Ångström 1920×1080')).toBe('angstrom 1920x1080');
        expect(holds(plain('Kiln night firing'), 'firing KILN')).toBe(true);
        expect(holds(plain('Kiln night firing'), 'firing day')).toBe(false);
    });
});
