import locales from '@react-aria/optimize-locales-plugin';
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
    plugins: [
        laravel({ input: 'resources/js/main.tsx', refresh: true }),
        react(),
        // The studio speaks English; what React Aria would say in thirty other languages is read by no one.
        locales.vite({ locales: ['en-US'] }),
        offline,
    ],
    build: {
        chunkSizeWarningLimit: 1000,
        rolldownOptions: {
            output: {
                // A few files: each one that is asked for costs more than the lines that it spares a page.
                codeSplitting: {
                    groups: [
                        { name: 'libraries', test: /node_modules/, priority: 3 },
                        { name: 'desk', test: /resources\/js\/(desk|look|match|plan|draw|compare)\//, priority: 2 },
                        { name: 'studio', test: /resources\/js\/(ui|api)\//, priority: 1 },
                        { name: 'box', test: /resources\/js\/(pencils|swatches)\//, priority: 1 },
                    ],
                },
            },
        },
    },
});
