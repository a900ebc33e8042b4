import { Check, Copy } from 'lucide-react';
import { useState } from 'react';

export function CopyButton({ text, what }: { text: string; what: string }) {
    const [copied, setCopied] = useState(false);
    // From another machine over a bare line, browsers give no clipboard.
    if (navigator.clipboard === undefined) {
        return null;
    }
    return (
        <button
            type="button"
            aria-label={copied ? `The ${what} is copied` : `Copy the ${what}`}
            title={`Copy the ${what}`}
            onClick={async () => {
                await navigator.clipboard.writeText(text);
                setCopied(true);
                window.setTimeout(() => setCopied(false), 1500);
            }}
            className="flex size-5 flex-none items-center justify-center rounded text-faint hover:bg-sunk hover:text-ink"
        >
            {copied ? <Check size={12} /> : <Copy size={12} />}
        </button>
    );
}
