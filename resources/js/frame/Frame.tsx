import { LogOut, Moon, Settings, Sun } from 'lucide-react';
import { type MouseEvent, useState } from 'react';
import { Link, NavLink, Outlet, useLocation } from 'react-router';
import { api } from '../api/client';
import { useFollowedLibrary } from '../api/library';
import { useMachine } from '../api/queries';
import { Figures } from '../ui/Figures';
import { EndNotice } from './EndNotice';
import { KeyList } from './KeyList';
import { SignIn } from './SignIn';
import { Strip } from './Strip';
import { currentTheme, setTheme } from './theme';
import { useKeptScroll } from './useKeptScroll';

const pages = [
    { to: '/', label: 'Shelf' },
    { to: '/presets', label: 'Presets' },
    { to: '/hosts', label: 'Hosts' },
    { to: '/queue', label: 'Queue' },
    { to: '/slips', label: 'Slips' },
    { to: '/dispatch', label: 'Dispatch' },
];

const tool = 'flex size-7 items-center justify-center rounded text-soft hover:bg-sunk hover:text-ink';

/** Out of sight until it has the focus. */
const skipped =
    'absolute top-1 left-1 z-50 -translate-y-20 rounded bg-rust px-3 py-1.5 font-semibold text-rust-ink focus:translate-y-0';

/** To the first cell of the sheet, or to the page. */
function skip(event: MouseEvent) {
    const first = document.querySelector<HTMLElement>('#sheet [data-at="0,0"]') ?? document.getElementById('main');
    event.preventDefault();
    first?.focus();
}

export function Frame() {
    useFollowedLibrary();
    const main = useKeptScroll();
    const isSheet = /^\/cuts\/\d+$/.test(useLocation().pathname);
    return (
        <div className="grid h-dvh grid-rows-[44px_minmax(0,1fr)_40px]">
            <a href={isSheet ? '#sheet' : '#main'} onClick={skip} className={skipped}>
                {isSheet ? 'Skip to the sheet' : 'Skip to the page'}
            </a>
            <header className="flex items-center gap-6 border-b border-line px-5">
                <NavLink
                    to="/"
                    className="font-stencil text-[19px] leading-none tracking-[.06em]"
                    aria-label="Outer Crate, to the shelf"
                >
                    OUTER CRATE
                </NavLink>
                <nav aria-label="Pages" className="flex gap-[18px] self-stretch">
                    {pages.map((page) => (
                        <NavLink
                            key={page.to}
                            to={page.to}
                            end={page.to === '/'}
                            className="flex items-center text-soft hover:text-ink aria-[current=page]:font-medium aria-[current=page]:text-ink aria-[current=page]:shadow-[inset_0_-2px_var(--rust)]"
                        >
                            {page.label}
                        </NavLink>
                    ))}
                </nav>
                <div className="ml-auto flex items-center gap-4">
                    <Disk />
                    <SettingsLink />
                    <KeyList />
                    <ThemeSwitch />
                    <SignedInAs />
                </div>
            </header>
            <main ref={main} tabIndex={-1} className="relative min-h-0 overflow-y-auto outline-none" id="main">
                <Outlet />
            </main>
            <Strip />
            <EndNotice />
            <SignIn />
        </div>
    );
}

function Disk() {
    const { data } = useMachine();
    if (data === undefined) {
        return null;
    }
    if (data.engine === null) {
        return (
            <span role="alert" className="text-[13px] text-stop">
                ■ The engine is missing: install the ffmpeg package
            </span>
        );
    }
    return (
        <Link
            to="/store"
            className="text-[13px] text-soft hover:text-ink hover:underline"
            title={`${data.freeBytes?.toLocaleString('en')} bytes free for ${data.deliveries}: see what takes room`}
        >
            <Figures text={data.freeLabel ?? '?'} /> free
        </Link>
    );
}

function ThemeSwitch() {
    const [theme, setShown] = useState(currentTheme);
    const other = theme === 'dark' ? 'light' : 'dark';
    return (
        <button
            type="button"
            aria-label={`Change to ${other}`}
            title={`Change to ${other}`}
            className={tool}
            onClick={() => {
                setTheme(other);
                setShown(other);
            }}
        >
            {theme === 'dark' ? <Sun size={15} /> : <Moon size={15} />}
        </button>
    );
}

/** Only an owner has settings to change. */
function SettingsLink() {
    const role = useMachine().data?.role ?? 'owner';
    return role === 'owner' ? (
        <NavLink
            to="/settings"
            aria-label="Settings"
            title="Settings"
            className={`${tool} aria-[current=page]:text-ink`}
        >
            <Settings size={15} />
        </NavLink>
    ) : null;
}

/** The signed-in user, with a note for viewers; nothing while no sign-in is required. */
function SignedInAs() {
    const { user = null, role = 'owner' } = useMachine().data ?? {};
    if (user === null) {
        return null;
    }
    return (
        <>
            {role === 'viewer' && (
                <span
                    className="rounded border border-line px-1.5 text-[12px] text-soft"
                    title="You can look at pages and download slips and files. An owner can change your role."
                >
                    view only
                </span>
            )}
            <button
                type="button"
                title={`Sign out ${user} (${role})`}
                className="flex h-7 max-w-40 items-center gap-1.5 rounded px-1 text-[13px] text-soft hover:bg-sunk hover:text-ink"
                onClick={() => api.signOut().finally(() => window.location.assign('/'))}
            >
                <span className="truncate">{user}</span>
                <LogOut size={14} className="flex-none" aria-label="Sign out" />
            </button>
        </>
    );
}
