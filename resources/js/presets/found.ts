import type { PresetCard } from '../api/types';
import { search } from '../ui/search';

export interface Filters {
    role: PresetCard['role'] | '';
    host: string | null;
    /** Only one's own, or only those that are marked. */
    only: 'all' | 'own' | 'marked';
}

export const everything: Filters = { role: '', host: null, only: 'all' };

const words = (preset: PresetCard) =>
    [preset.name, preset.role, preset.hostName ?? '', preset.tags.join(' '), preset.words, preset.about].join(' ');

/** The presets that hold every word that is sought and pass the filters, as they are reached for. */
export const found = (presets: readonly PresetCard[], sought: string, filters: Filters = everything) =>
    search(presets, sought, words).filter(
        (preset) =>
            (filters.role === '' || preset.role === filters.role) &&
            (filters.host === null || preset.host === filters.host) &&
            (filters.only === 'all' || (filters.only === 'own' ? !preset.shipped : preset.favourite)),
    );
