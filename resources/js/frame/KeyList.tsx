import { Keyboard } from 'lucide-react';
import { useEffect, useState } from 'react';
import { useLocation } from 'react-router';
import { Modal } from '../ui/Modal';
import { takesKey } from '../ui/typing';
import { keysOf } from './keys';

/** The keys of the page, on `?`. */
export function KeyList() {
    const [open, setOpen] = useState(false);
    const { pathname } = useLocation();
    useEffect(() => {
        const onKey = (event: KeyboardEvent) => {
            if (event.key === '?' && !takesKey(event) && !event.ctrlKey && !event.metaKey) {
                event.preventDefault();
                setOpen(true);
            }
        };
        window.addEventListener('keydown', onKey);
        return () => window.removeEventListener('keydown', onKey);
    }, []);
    return (
        <Modal
            open={open}
            onOpenChange={setOpen}
            title="Keys of this page"
            width={460}
            trigger={
                <button
                    type="button"
                    aria-label="Keys of this page"
                    title="Keys of this page (?)"
                    className="flex size-7 items-center justify-center rounded text-soft hover:bg-sunk hover:text-ink"
                >
                    <Keyboard size={15} />
                </button>
            }
        >
            {keysOf(pathname).map(({ where, keys }) => (
                <section key={where} aria-label={where} className="mb-3">
                    <h3 className="mb-1 border-b border-line pb-1 font-medium">{where}</h3>
                    <dl className="grid grid-cols-[150px_1fr] gap-y-1">
                        {keys.map(([key, does]) => (
                            <div key={key} className="contents">
                                <dt>
                                    <kbd className="figure">{key}</kbd>
                                </dt>
                                <dd className="m-0 text-soft">{does}</dd>
                            </div>
                        ))}
                    </dl>
                </section>
            ))}
        </Modal>
    );
}
