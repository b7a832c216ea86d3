import js from '@eslint/js';
import globals from 'globals';

/** Faults that the types do not show. How code is laid out is not its business. */
export default [
    { ignores: ['.cache/', 'public/', 'vendor/', 'node_modules/', 'storage/', 'resources/css/built/'] },
    js.configs.recommended,
    {
        languageOptions: { globals: { ...globals.browser, ...globals.node } },
        rules: {
            eqeqeq: 'error',
            'no-var': 'error',
            'prefer-const': 'error',
            'no-empty': ['error', { allowEmptyCatch: true }],
            'no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
        },
    },
];
