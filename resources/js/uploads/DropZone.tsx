import { type DragEvent, type ReactNode, useState } from 'react';
import { sendFiles } from './uploads';

/** A page that takes files dropped on it. */
export function DropZone({ children }: { children: ReactNode }) {
    const [depth, setDepth] = useState(0);
    const files = (event: DragEvent) => event.dataTransfer.types.includes('Files');
    return (
        // biome-ignore lint/a11y/noStaticElementInteractions: files can be dropped anywhere; a button does the same by keyboard
        <div
            className="relative min-h-full"
            onDragEnter={(event) => files(event) && setDepth((d) => d + 1)}
            onDragLeave={(event) => files(event) && setDepth((d) => Math.max(0, d - 1))}
            onDragOver={(event) => files(event) && event.preventDefault()}
            onDrop={(event) => {
                if (files(event)) {
                    event.preventDefault();
                    setDepth(0);
                    sendFiles(event.dataTransfer.files);
                }
            }}
        >
            {children}
            {depth > 0 && (
                <div className="pointer-events-none absolute inset-2 z-20 flex items-center justify-center rounded border-2 border-dashed border-rust bg-page/85 text-[17px] font-semibold">
                    Let go to bring the files in
                </div>
            )}
        </div>
    );
}
