import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter, Route, Routes } from 'react-router';
import { ApiError } from './api/client';
import { Frame } from './frame/Frame';
import { NotHere } from './frame/NotHere';
import { Loaded } from './later';
import { loadAhead, pages } from './pages';

const client = new QueryClient({
    defaultOptions: {
        queries: {
            retry: (count, error) => count < 2 && !(error instanceof ApiError && error.status >= 400),
            networkMode: 'always',
        },
        mutations: { networkMode: 'always' },
    },
});

loadAhead(window.location.pathname);

createRoot(document.getElementById('page') as HTMLElement).render(
    <StrictMode>
        <QueryClientProvider client={client}>
            <BrowserRouter>
                <Routes>
                    <Route element={<Frame />}>
                        {pages.map(({ path, page, what }) => (
                            <Route key={path} path={path} element={<Loaded page={page} what={what} />} />
                        ))}
                        <Route path="*" element={<NotHere />} />
                    </Route>
                </Routes>
            </BrowserRouter>
        </QueryClientProvider>
    </StrictMode>,
);
