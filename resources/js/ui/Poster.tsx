import { useState } from 'react';

/** A picture of a cut at its own shape on neutral grey; grey alone where there is none. */
export function Poster({ src, name, width, height }: { src: string; name: string; width: number; height: number }) {
    const [missing, setMissing] = useState(false);
    return (
        <span className="block flex-none overflow-hidden bg-neutral" style={{ width, height }}>
            {!missing && (
                <img
                    src={src}
                    alt={`A frame of ${name}`}
                    width={width}
                    height={height}
                    loading="lazy"
                    decoding="async"
                    onError={() => setMissing(true)}
                    className="size-full object-contain"
                />
            )}
        </span>
    );
}
