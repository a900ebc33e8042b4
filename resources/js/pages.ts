import { matchPath } from 'react-router';
import { Later } from './later';

/** A page with its own script, so that the first paint loads only one. */
interface Page {
    path: string;
    /** In “Loading …”. */
    what: string;
    page: Later;
}

const of = (path: string, what: string, load: ConstructorParameters<typeof Later>[0]): Page => ({
    path,
    what,
    page: new Later(load),
});

export const survivesPage = new Later(() => import('./survives/SurvivesPage'));

export const pages: readonly Page[] = [
    of('/', 'the shelf', () => import('./shelf/ShelfPage').then(({ ShelfPage }) => ({ default: ShelfPage }))),
    of('cuts/:cut', 'the sheet', () => import('./sheet/SheetPage').then(({ SheetPage }) => ({ default: SheetPage }))),
    { path: 'cuts/:cut/survives', what: 'the test', page: survivesPage },
    of('compare/:of/:id?', 'the pictures', () => import('./compare/ComparePage')),
    of('slips', 'the slips', () => import('./slips/SlipList').then(({ SlipList }) => ({ default: SlipList }))),
    of('slips/:pack', 'the slips', () => import('./slips/SlipsPage').then(({ SlipsPage }) => ({ default: SlipsPage }))),
    of('dispatch/:id?', 'what is sent', () => import('./dispatch/DispatchPage')),
    of('queue', 'the queue', () => import('./queue/QueuePage').then(({ QueuePage }) => ({ default: QueuePage }))),
    of('store', 'the store', () => import('./store/StorePage').then(({ StorePage }) => ({ default: StorePage }))),
    of('settings', 'the settings', () =>
        import('./settings/SettingsPage').then(({ SettingsPage }) => ({ default: SettingsPage })),
    ),
    of('presets/:slug?', 'the presets', () =>
        import('./presets/PresetsPage').then(({ PresetsPage }) => ({ default: PresetsPage })),
    ),
    of('hosts/:slug/teach', 'the host', () => import('./teach/TeachPage')),
    of('hosts/:slug?', 'the hosts', () =>
        import('./hosts/HostsPage').then(({ HostsPage }) => ({ default: HostsPage })),
    ),
];

/** Starts loading the page of an address at once, and the others when the browser is idle. */
export function loadAhead(address: string) {
    const first = pages.find(({ path }) => matchPath({ path: path.replace(/^\/?/, '/') }, address) !== null);
    const others = () => {
        for (const { page } of pages) {
            page.ahead();
        }
    };
    const rest = () => ('requestIdleCallback' in window ? requestIdleCallback(others) : setTimeout(others, 2_000));
    (first?.page.ahead() ?? Promise.resolve()).then(rest);
}
