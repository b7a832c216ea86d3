import { defineConfig } from 'vite';
import laravel from 'laravel-vite-plugin';

export default defineConfig({
    plugins: [
        laravel({
            input: [
                'resources/css/fonts.css',
                'resources/css/built/app.css',
                'resources/css/built/read.css',
                'resources/js/app.js',
                'resources/js/read-report.js',
            ],
            refresh: false,
        }),
    ],
    build: { assetsInlineLimit: 0, chunkSizeWarningLimit: 700 },
});
