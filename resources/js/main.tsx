import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter, Route, Routes } from 'react-router';
import { ApiError } from './api/client';
import { Frame } from './frame/Frame';
import { NotHere } from './frame/NotHere';
import { HostsPage } from './hosts/HostsPage';
import { comparePage, dispatchPage, Loaded, survivesPage, teachPage } from './later';
import { PresetsPage } from './presets/PresetsPage';
import { QueuePage } from './queue/QueuePage';
import { SettingsPage } from './settings/SettingsPage';
import { SheetPage } from './sheet/SheetPage';
import { ShelfPage } from './shelf/ShelfPage';
import { SlipList } from './slips/SlipList';
import { SlipsPage } from './slips/SlipsPage';
import { StorePage } from './store/StorePage';

const client = new QueryClient({
    defaultOptions: {
        queries: {
            retry: (count, error) => count < 2 && !(error instanceof ApiError && error.status >= 400),
            networkMode: 'always',
        },
        mutations: { networkMode: 'always' },
    },
});

createRoot(document.getElementById('page') as HTMLElement).render(
    <StrictMode>
        <QueryClientProvider client={client}>
            <BrowserRouter>
                <Routes>
                    <Route element={<Frame />}>
                        <Route index element={<ShelfPage />} />
                        <Route path="cuts/:cut" element={<SheetPage />} />
                        <Route path="cuts/:cut/survives" element={<Loaded page={survivesPage} what="the test" />} />
                        <Route path="compare/:of/:id?" element={<Loaded page={comparePage} what="the pictures" />} />
                        <Route path="slips" element={<SlipList />} />
                        <Route path="slips/:pack" element={<SlipsPage />} />
                        <Route path="dispatch/:id?" element={<Loaded page={dispatchPage} what="what is sent" />} />
                        <Route path="queue" element={<QueuePage />} />
                        <Route path="store" element={<StorePage />} />
                        <Route path="settings" element={<SettingsPage />} />
                        <Route path="presets/:slug?" element={<PresetsPage />} />
                        <Route path="hosts/:slug/teach" element={<Loaded page={teachPage} what="the host" />} />
                        <Route path="hosts/:slug?" element={<HostsPage />} />
                        <Route path="*" element={<NotHere />} />
                    </Route>
                </Routes>
            </BrowserRouter>
        </QueryClientProvider>
    </StrictMode>,
);
