import { useEffect } from 'react';
import { usePresets } from '../api/queries';
import { takesKey } from '../ui/typing';
import { useStable } from '../ui/useStable';

/** 1 to 9 add an output with one of the first nine presets, wherever on the page nothing is typed and nothing is open. */
export function usePresetKeys(add: (preset: string, host: string | null) => void, full: boolean) {
    const presets = usePresets().data?.presets ?? [];
    const onKey = useStable((event: KeyboardEvent) => {
        const target = event.target instanceof HTMLElement ? event.target : document.body;
        const busy =
            takesKey(event) ||
            target.closest('[role=dialog], [role=menu], [role=listbox]') !== null ||
            event.ctrlKey ||
            event.metaKey ||
            event.altKey;
        const preset = /^[1-9]$/.test(event.key) && presets.find(({ key }) => key === Number(event.key));
        if (!busy && !full && preset) {
            event.preventDefault();
            add(preset.slug, preset.host);
        }
    });
    useEffect(() => {
        window.addEventListener('keydown', onKey);
        return () => window.removeEventListener('keydown', onKey);
    }, [onKey]);
}
