import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
    plugins: [react(), tailwindcss()],
    publicDir: false,
    build: {
        // Faces come as files: the content policy allows no others.
        assetsInlineLimit: 0,
        outDir: 'public/build',
        manifest: 'manifest.json',
        rolldownOptions: { input: 'resources/js/main.tsx' },
    },
    base: '/build/',
});
