import { useMutation, useQueryClient } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { useState } from 'react';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { Dispatch } from '../api/types';
import { Button } from '../ui/Button';
import { FileButton } from '../ui/FileButton';
import { Trouble } from '../ui/States';
import { Remarks } from './Remarks';
import type { useDispatchAction } from './useDispatches';

/** Captions in a language, from a file. */
export function Captions({ dispatch, act }: { dispatch: Dispatch; act: ReturnType<typeof useDispatchAction> }) {
    const client = useQueryClient();
    const [language, setLanguage] = useState(dispatch.details.language || 'en');
    const bring = useMutation({
        mutationFn: async (file: File) => api.caption(dispatch.id, { language, text: await file.text() }),
        onSettled: () => client.invalidateQueries({ queryKey: keys.dispatches() }),
    });
    return (
        <div>
            <div className="mb-1 flex items-center gap-2">
                <span className="text-[12px] text-soft">Captions</span>
                {dispatch.captions.length === 0 && <span>none</span>}
                {dispatch.captions.map((one) => (
                    <span key={one} className="figure flex items-center rounded bg-sunk pl-2">
                        {one}
                        <Button
                            kind="quiet"
                            className="px-1"
                            disabled={act.isPending}
                            aria-label={`Take the captions in ${one} away`}
                            onClick={() => act.mutate(() => api.withoutCaption(dispatch.id, one))}
                        >
                            <X size={12} />
                        </Button>
                    </span>
                ))}
                <label htmlFor="caption-language" className="ml-auto text-[12px] text-soft">
                    in
                </label>
                <input
                    id="caption-language"
                    value={language}
                    onChange={(event) => setLanguage(event.target.value)}
                    className="h-7 w-16 rounded border border-line bg-page px-2"
                />
                <FileButton
                    accept=".srt,.vtt"
                    name="Captions file"
                    disabled={bring.isPending}
                    pick={(file) => bring.mutate(file)}
                >
                    Choose a file
                </FileButton>
            </div>
            {bring.error && <Trouble message={bring.error.message} />}
            {bring.data && bring.data.remarks.length > 0 && <Remarks remarks={bring.data.remarks} />}
        </div>
    );
}
