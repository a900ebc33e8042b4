import { type ComponentProps, useRef } from 'react';
import { Button } from './Button';

interface Props extends Omit<ComponentProps<typeof Button>, 'onClick'> {
    /** Endings or types that are offered first. */
    accept: string;
    /** What the file is, for whoever cannot see the button. */
    name: string;
    pick: (file: File) => void;
}

/** A button that asks for a file of the person's own. */
export function FileButton({ accept, name, pick, ...button }: Props) {
    const input = useRef<HTMLInputElement>(null);
    return (
        <>
            <input
                ref={input}
                type="file"
                accept={accept}
                aria-label={name}
                className="sr-only"
                tabIndex={-1}
                onChange={(event) => {
                    const [file] = event.target.files ?? [];
                    // The same file can be chosen again.
                    event.target.value = '';
                    file && pick(file);
                }}
            />
            <Button {...button} onClick={() => input.current?.click()} />
        </>
    );
}
