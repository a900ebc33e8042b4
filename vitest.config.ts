import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

// The page's own logic, in a browser that is only pretended.
export default defineConfig({
    plugins: [react()],
    test: {
        environment: 'jsdom',
        // One pretended browser for all: making it takes longer than the tests. Each file cleans up after itself.
        pool: 'threads',
        isolate: false,
        include: ['tests/Page/**/*.test.{ts,tsx}'],
        restoreMocks: true,
        reporters: ['default'],
    },
});
