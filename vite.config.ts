import react from '@vitejs/plugin-react';
import laravel from 'laravel-vite-plugin';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/** The application and what a piece needs are kept in the browser, so that Draw goes on without the network. */
const offline = VitePWA({
    strategies: 'injectManifest',
    srcDir: 'resources/js',
    filename: 'sw.ts',
    injectRegister: false,
    manifest: false,
    injectManifest: {
        globPatterns: ['assets/*.{js,css}', 'assets/*-latin-wght-normal-*.woff2'],
        modifyURLPrefix: { 'assets/': '/build/assets/' },
        maximumFileSizeToCacheInBytes: 3_000_000,
    },
});

export default defineConfig({
    plugins: [laravel({ input: 'resources/js/main.tsx', refresh: true }), react(), offline],
    build: { chunkSizeWarningLimit: 900 },
});
