import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

// Laravel's @vite reads public/build/manifest.json.
export default defineConfig({
    plugins: [react(), tailwindcss()],
    base: '/build/',
    publicDir: false,
    build: {
        outDir: 'public/build',
        emptyOutDir: true,
        manifest: 'manifest.json',
        rolldownOptions: { input: ['resources/js/main.tsx', 'resources/css/app.css'] },
    },
});
